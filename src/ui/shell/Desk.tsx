import Link from "next/link";
import type { ReactNode } from "react";
import { Brand } from "./JobStrip";

/** A page of the desk, away from any job: its name, what it holds, and the ways on. */
export function Desk({
  title,
  ways = [],
  children,
}: {
  title: string;
  ways?: readonly (readonly [href: string, words: string])[];
  children: ReactNode;
}) {
  return (
    <main className="grow-page">
      <div className="desk">
        <p>
          <Brand />
        </p>
        <h1 className="step">{title}</h1>
        {children}
        <p className="flex flex-wrap gap-6">
          {[...ways, ["/", "To the bench"] as const].map(([href, words]) => (
            <Link key={href} className="link" href={href} prefetch={false}>
              {words}
            </Link>
          ))}
        </p>
      </div>
    </main>
  );
}
