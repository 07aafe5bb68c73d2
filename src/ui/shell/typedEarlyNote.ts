/**
 * Runs before any other script of a page: notes which fields are changed while nobody listens yet. `TypedEarly` says
 * them again once the page is awake, and takes the listener away.
 */
export const NOTE_EARLY =
  'window.typedEarly=new Set();window.noteEarly=function(e){window.typedEarly.add(e.target)};addEventListener("input",window.noteEarly,true)';

declare global {
  interface Window {
    /** Fields that a hand changed while the page's scripts were still on their way. */
    typedEarly?: Set<EventTarget>;
    noteEarly?: (e: Event) => void;
  }
}
