import { setNonce } from "get-nonce";

/** The nonce of this page's scripts: styles put in at run time need it. */
export function pageNonce(): string | undefined {
  const nonce =
    typeof document === "undefined" ? undefined : (document.querySelector<HTMLElement>("script[nonce]")?.nonce ?? undefined);
  if (nonce) setNonce(nonce);
  return nonce;
}
