"use client";
import { setNonce } from "get-nonce";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

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
  const nonce =
    typeof document === "undefined" ? undefined : (document.querySelector<HTMLElement>("script[nonce]")?.nonce ?? undefined);
  if (nonce) setNonce(nonce);
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
