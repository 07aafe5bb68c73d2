import { PATTERNS } from "@/core/proof";
import { TOUCH_SCRIPT } from "./patternTouch";

/**
 * All patterns as one self-contained HTML file for a stick: the machine under test may have no network and a locked session.
 * @param size of the glass that is touched, mm; a 14-inch one where nobody says
 * Written in plain script here, because the built code of a page cannot be read back as source.
 */
export function patternFile(size: { widthMm: number; heightMm: number } = { widthMm: 309, heightMm: 174 }): string {
  const list = JSON.stringify(PATTERNS.map((p) => [p.id, p.name]));
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Test patterns</title>
<style>html,body{margin:0;background:#000;height:100%;overflow:hidden}canvas{display:block;width:100vw;height:100vh}body>p{position:fixed;left:20px;bottom:20px;margin:0;padding:8px 12px;background:#101814;color:#fff;font:18px sans-serif}[hidden]{display:none!important}section{position:fixed;left:50%;top:50%;transform:translate(-50%,-50%);max-width:560px;padding:16px 20px;background:#101814;color:#fff;font:20px sans-serif;text-align:center}section b{display:block;font:600 40px/56px monospace;letter-spacing:2px}button{font:18px sans-serif;min-height:48px;margin:6px;padding:6px 14px;background:#f4f6f0;color:#101814;border:0}body[data-touch]:not([data-touch=""]){touch-action:none;user-select:none}</style></head>
<body><canvas></canvas><p></p><section hidden><p></p><b></b>
<button data-at="draw" data-go="watch">Hands off: watch for ghost taps</button><button data-at="draw watch" data-go="done">Done: show the code</button><button data-at="done" data-go="watch">Watch on</button><button data-at="draw watch done" data-go="anew">Begin anew</button><button data-at="draw watch done" data-go="">Back to the patterns</button></section><script>
"use strict";
var P=${list},at=0,c=document.querySelector("canvas"),g=c.getContext("2d"),p=document.querySelector("body>p"),hide;
var S={white:"#fff",black:"#000",red:"#f00",green:"#0f0",blue:"#00f",grey:"#808080"};
function f(k,x,y,a,b){g.fillStyle=k;g.fillRect(x,y,a,b)}
function paint(t){var k=devicePixelRatio||1,w=c.width=Math.round(innerWidth*k),h=c.height=Math.round(innerHeight*k),id=P[at][0],i,x,y,v;
if(S[id])return f(S[id],0,0,w,h);f("#000",0,0,w,h);
if(id==="rampX"||id==="rampY"){var n=id==="rampX"?w:h;for(i=0;i<n;i++){v=Math.round(i/Math.max(1,n-1)*255);id==="rampX"?f("rgb("+v+","+v+","+v+")",i,0,1,h):f("rgb("+v+","+v+","+v+")",0,i,w,1)}}
else if(id==="checker")for(y=0;y*64<h;y++)for(x=y%2;x*64<w;x+=2)f("#fff",x*64,y*64,64,64);
else if(id==="lines")for(x=0;x<w;x+=2)f("#fff",x,0,1,h);
else if(id==="strip"){var q=[[3],[1,5],[0,2,4,6],[0,1,2,4,5,6],[0,1,2,3,4,5,6,7]];for(y=0;y<h;y++)for(i=0;i<5;i++)if(q[i].indexOf(y%8)>=0)f("#fff",Math.round(i*w/5),y,Math.round((i+1)*w/5)-Math.round(i*w/5),1)}
else{f("#fff",Math.floor(t/4%(w+80))-80,0,80,h);requestAnimationFrame(function(t){if(P[at][0]==="bar"&&!T.stage)paint(t)})}}
function show(){document.body.dataset.pattern=P[at][0];p.hidden=false;p.textContent=P[at][1]+". Tap or Space: next. F: full screen. T, or held for a second: touch test.";clearTimeout(hide);hide=setTimeout(function(){p.hidden=true},4000);paint(0)}
function go(d){at=(at+d+P.length)%P.length;show()}
addEventListener("click",function(){var h=held;held=false;if(!T.stage&&!h)go(1)});addEventListener("resize",function(){T.stage?draw():show()});
var held=false,hold;addEventListener("pointerdown",function(){if(!T.stage){clearTimeout(hold);hold=setTimeout(function(){held=true;stage("draw")},1000)}});addEventListener("pointerup",function(){clearTimeout(hold)});
addEventListener("keydown",function(e){if(e.key==="t"||e.key==="T")return stage(T.stage?"":"draw"),T.stage||show();if(T.stage)return;if(e.key===" "||e.key==="ArrowRight"||e.key==="Enter")go(1);else if(e.key==="ArrowLeft")go(-1);else if(e.key==="f"&&document.documentElement.requestFullscreen)document.documentElement.requestFullscreen()});
show();
var SIZE=[${Math.round(size.widthMm)},${Math.round(size.heightMm)}];
${TOUCH_SCRIPT}</script></body></html>
`;
}
