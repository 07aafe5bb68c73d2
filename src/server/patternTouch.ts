/**
 * The touch test of the pattern file, as plain script: cells of 8 mm drawn over, joins of at most 6 mm and 60 ms, a watch with hands
 * off, and the same short code the page of the bench gives (`core/proof/resultCode.ts`, `core/proof/touch.ts`). A test runs it from a
 * stick and reads its code.
 */
export const TOUCH_SCRIPT = `
var Q=/w=(\\d+)&h=(\\d+)/.exec(location.search+location.hash),W=Q?+Q[1]:SIZE[0],H=Q?+Q[2]:SIZE[1],NX=Math.max(1,Math.round(W/8)),NY=Math.max(1,Math.round(H/8));
var T={stage:"",hit:{},taps:[],s:0},KEY="helvane-touch-"+W+"x"+H,last={},panel=document.querySelector("section"),said=panel.querySelector("p"),out=panel.querySelector("b");
function keep(){try{sessionStorage.setItem(KEY,JSON.stringify(T))}catch(e){}}
function stage(x){T.stage=x;keep();draw()}
function cells(){var m=[],i;for(i=0;i<NX*NY;i++)if(!T.hit[i])m.push(i);return m}
function mark(x,y){if(x<0||y<0||x>W||y>H)return;T.hit[Math.min(NY-1,Math.floor(y/H*NY))*NX+Math.min(NX-1,Math.floor(x/W*NX))]=1}
function sample(e){var x=e.clientX/innerWidth*W,y=e.clientY/innerHeight*H,t=e.timeStamp/1000,p=last[e.pointerId],f;mark(x,y);
if(p&&t>=p[2]&&t-p[2]<=.06&&Math.sqrt((x-p[0])*(x-p[0])+(y-p[1])*(y-p[1]))<=6)for(f=.25;f<1;f+=.25)mark(p[0]+f*(x-p[0]),p[1]+f*(y-p[1]));last[e.pointerId]=[x,y,t]}
function bursts(){var n=0,l=-9;T.taps.slice().sort(function(a,b){return a-b}).forEach(function(t){if(t-l>1)n++;l=t});return n}
function code(){var m=cells(),c=[],r=[],n=0n,t="",i,D="0123456789ABCDEFGHJKMNPQRSTVWXYZ",K=D+"*~$=U";
for(i=0;i<NX;i++)if(m.filter(function(k){return k%NX===i}).length>=NY)c.push(i);for(i=0;i<NY;i++)if(m.filter(function(k){return Math.floor(k/NX)===i}).length>=NX)r.push(i);
[[Math.floor((1-m.length/(NX*NY))*1000+1e-9),10],[m.length,12],[c.length,6],[r.length,6],[Math.floor(T.s),16],[bursts(),8]].forEach(function(f){n=(n<<BigInt(f[1]))|BigInt(Math.max(0,Math.min(Math.pow(2,f[1])-1,f[0])))});
n<<=2n;for(i=11;i>=0;i--)t+=D[Number((n>>BigInt(5*i))&31n)];return t.slice(0,4)+"-"+t.slice(4,8)+"-"+t.slice(8)+"-"+K[Number(n%37n)]}
function draw(){var on=T.stage!=="";panel.hidden=!on;document.body.dataset.touch=T.stage;if(!on)return;var k=devicePixelRatio||1,w=c.width=Math.round(innerWidth*k),h=c.height=Math.round(innerHeight*k),i;p.hidden=true;
f("#101814",0,0,w,h);for(i=0;i<NX*NY;i++)f(T.hit[i]?"#ffca16":"#202b25",i%NX*w/NX,Math.floor(i/NX)*h/NY,w/NX*.96,h/NY*.96);
var pc=Math.floor((1-cells().length/(NX*NY))*100+1e-9);out.textContent=T.stage==="done"?code():"";
said.textContent=T.stage==="draw"?"Draw over the whole glass with one finger, slowly, edges too. "+pc+" %":T.stage==="watch"?"Hands off, glass wiped and dry. "+Math.floor(T.s/60)+" min "+Math.floor(T.s%60)+" s watched, "+bursts()+" taps. Thirty minutes without one say fewer than 6 an hour.":"Type this at the bench:";
panel.querySelectorAll("button").forEach(function(b){b.hidden=b.dataset.at.split(" ").indexOf(T.stage)<0})}
addEventListener("pointerdown",function(e){if(!T.stage||e.target.closest("button"))return;if(T.stage==="draw"&&e.pointerType==="touch"){sample(e);draw();keep()}else if(T.stage==="watch"&&e.pointerType==="touch"){T.taps.push(T.s);draw();keep()}});
addEventListener("pointermove",function(e){if(T.stage==="draw"&&e.pointerType==="touch"&&e.buttons>0){var a=e.getCoalescedEvents?e.getCoalescedEvents():[];(a.length?a:[e]).forEach(sample);draw();keep()}});
var tick=performance.now();setInterval(function(){var n=performance.now(),d=(n-tick)/1000;tick=n;if(T.stage==="watch"&&!document.hidden&&d<5){T.s+=d;draw();keep()}},250);
panel.addEventListener("click",function(e){e.stopPropagation();var b=e.target.closest("button");if(!b)return;if(b.dataset.go==="anew"){T={stage:"draw",hit:{},taps:[],s:0};last={};stage("draw")}else if(b.dataset.go==="")  {stage("");show()}else stage(b.dataset.go)});
try{var was=JSON.parse(sessionStorage.getItem(KEY)||"null");if(was&&was.stage){T=was;draw()}}catch(e){}
`;
