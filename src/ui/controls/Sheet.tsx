"use client";
import { Dialog } from "radix-ui";
import { type ReactNode, useEffect, useRef } from "react";
import { pageNonce } from "./nonce";

/** A dialog. Focus is held inside, Escape closes, focus goes back to where it came from. */
export function Sheet({
  open,
  onClose,
  title,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
}) {
  useBack(open, onClose);
  pageNonce();
  return (
    <Dialog.Root open={open} onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="sheet-box" aria-describedby={undefined}>
          <Dialog.Title asChild>
            <h2>{title}</h2>
          </Dialog.Title>
          {children}
          <Dialog.Close asChild>
            <button type="button" className="btn quiet self-start">
              Close <kbd>Esc</kbd>
            </button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

let last = 0;
/** Back closes what is open instead of leaving the page: an entry of its own stands in the history meanwhile. */
function useBack(open: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  close.current = onClose;
  useEffect(() => {
    if (!open) return;
    last += 1;
    const mine = last;
    window.history.pushState({ ...window.history.state, helvaneSheet: mine }, "");
    const back = () => {
      if (window.history.state?.helvaneSheet !== mine) close.current();
    };
    window.addEventListener("popstate", back);
    return () => {
      window.removeEventListener("popstate", back);
      // Closed by its own control: its entry goes, unless another page has come over it.
      setTimeout(() => {
        if (window.history.state?.helvaneSheet === mine) window.history.back();
      }, 0);
    };
  }, [open]);
}
