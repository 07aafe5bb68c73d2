import { mountStick } from "./mount";

// The file for a stick: its size comes with it, or in its address.
declare global {
  var HELVANE_SIZE: { widthMm: number; heightMm: number } | undefined;
}
const asked = /w=(\d+)&h=(\d+)/.exec(location.search + location.hash);
const main = document.createElement("main");
document.body.append(main);
mountStick(main, {
  widthMm: asked ? Number(asked[1]) : globalThis.HELVANE_SIZE?.widthMm,
  heightMm: asked ? Number(asked[2]) : globalThis.HELVANE_SIZE?.heightMm,
});
