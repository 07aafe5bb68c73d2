/**
 * Runs before any other script of a page: notes which fields are changed while nobody listens yet, and what they say: a
 * page that wakes up with one of them draws the others as it was served. A form sent off meanwhile is held back: the browser
 * would load the page anew, and all of it would be gone. `TypedEarly` says it all again once the page is awake, and takes
 * the listeners away.
 */
export const NOTE_EARLY =
  'window.typedEarly=new Map();window.noteEarly=function(e){var t=e.target;window.typedEarly.set(t,t.type==="checkbox"||t.type==="radio"?t.checked:t.value)};addEventListener("input",window.noteEarly,true);window.holdEarly=function(e){var f=e.target;if(f.hasAttribute("action"))return;e.preventDefault();window.sentEarly=[f,e.submitter]};addEventListener("submit",window.holdEarly,true)';

declare global {
  interface Window {
    /** Fields that a hand changed while the page's scripts were still on their way. */
    typedEarly?: Map<EventTarget, unknown>;
    noteEarly?: (e: Event) => void;
    /** The form that was sent off, and by which button. */
    sentEarly?: [HTMLFormElement, HTMLElement | null];
    holdEarly?: (e: Event) => void;
  }
}
