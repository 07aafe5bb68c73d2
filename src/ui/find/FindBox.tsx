"use client";
import { Command } from "cmdk";
import { useEffect, useRef, useState } from "react";
import type { FindHit, FindReply } from "@/wire/find";

const GROUPS: readonly (readonly [FindHit["kind"], string])[] = [
  ["job", "Jobs"],
  ["machine", "Machines"],
  ["panel", "Panels"],
  ["seller", "Sellers"],
  ["page", "Pages"],
];
/** A hand that still types is not answered letter by letter; ms. */
const PAUSE_MS = 120;

/**
 * Finds anything in the shop by what is typed or scanned. Enter opens the hit that is marked, the first until another is chosen; that
 * nothing was found is said.
 */
export function FindBox({
  typed,
  onTyped,
  onOpen,
  inputRef,
  autoFocus = false,
}: {
  typed: string;
  onTyped: (text: string) => void;
  onOpen: (href: string) => void;
  inputRef?: React.RefObject<HTMLInputElement | null>;
  autoFocus?: boolean;
}) {
  const [reply, setReply] = useState<{ typed: string; reply: FindReply | null; problem: string | null }>({
    typed: "",
    reply: null,
    problem: null,
  });
  const [mark, setMark] = useState("");
  const wanted = typed.trim();
  // Enter before the answer came opens what comes.
  const early = useRef(false);
  const open = useRef(onOpen);
  open.current = onOpen;
  useEffect(() => {
    early.current = false;
    if (!wanted) return;
    const gone = new AbortController();
    const t = setTimeout(async () => {
      const res = await fetch(`/api/find?q=${encodeURIComponent(wanted)}`, { signal: gone.signal, cache: "no-store" }).catch(
        () => null,
      );
      const body = (await res?.json().catch(() => null)) as (FindReply & { problem?: string }) | null;
      if (gone.signal.aborted) return;
      if (!res?.ok || !body?.hits)
        return setReply({ typed: wanted, reply: null, problem: body?.problem ?? "The server was not reached. Try again." });
      setReply({ typed: wanted, reply: body, problem: null });
      setMark(body.hits[0]?.href ?? "");
      if (early.current && body.hits[0]) open.current(body.hits[0].href);
    }, PAUSE_MS);
    return () => {
      clearTimeout(t);
      gone.abort();
    };
  }, [wanted]);
  const here = reply.typed === wanted ? reply.reply : null;
  return (
    <Command
      label="Find anything in the shop"
      shouldFilter={false}
      value={mark}
      onValueChange={setMark}
      className="find"
      onKeyDown={(e) => {
        if (e.key === "Enter" && wanted && !here) early.current = true;
        if (e.key === "Escape" && typed) {
          e.preventDefault();
          e.stopPropagation();
          onTyped("");
        }
      }}
    >
      <Command.Input
        ref={inputRef}
        value={typed}
        onValueChange={onTyped}
        placeholder="Job, serial, customer, code"
        maxLength={120}
        autoFocus={autoFocus}
        data-find
      />
      <Command.List label="What answers" hidden={!wanted}>
        {reply.typed === wanted && reply.problem && <p role="alert">{reply.problem}</p>}
        {wanted && !here && !reply.problem && <p className="q">Looking for “{wanted}”</p>}
        {here && here.hits.length === 0 && (
          <p role="status">
            <b>No job matches “{wanted}”</b>, open or closed, and nothing else does.
          </p>
        )}
        {here &&
          GROUPS.map(([kind, heading]) => {
            const hits = here.hits.filter((h) => h.kind === kind);
            return (
              hits.length > 0 && (
                <Command.Group key={kind} heading={heading}>
                  {hits.map((h) => (
                    <Command.Item key={h.href + h.title} value={h.href} onSelect={() => onOpen(h.href)} data-hit={h.title}>
                      <b className={kind === "job" || kind === "panel" ? "mono" : ""}>{h.title}</b>
                      <span>{h.note}</span>
                    </Command.Item>
                  ))}
                </Command.Group>
              )
            );
          })}
        {here && here.more > 0 && <p className="q">{here.more} more answer as well: type more of it.</p>}
      </Command.List>
    </Command>
  );
}
