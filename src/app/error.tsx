"use client";
import Link from "next/link";

/** What a page shows when drawing it failed. The log is on the server and safe. */
export default function PageError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="grow-page">
      <div className="desk">
        <h1 className="step">This page could not be drawn</h1>
        <div className="refusal" role="alert">
          <p>
            {error.message || "Unknown error"}
            {error.digest && ` (${error.digest})`}. What was recorded is safe in the log.
          </p>
        </div>
        <p className="flex gap-3">
          <button type="button" className="btn" onClick={reset}>
            Draw it again
          </button>
          <Link className="btn" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
