import Link from "next/link";

/** The jobs behind a figure, each opened by its number. */
export function JobsBehind({ jobs, words }: { jobs: readonly string[]; words: string }) {
  if (jobs.length === 0) return null;
  return (
    <details className="mt-1">
      <summary>
        {words} ({jobs.length})
      </summary>
      <p className="flex flex-wrap gap-x-4 gap-y-1">
        {jobs.slice(0, 200).map((n) => (
          <Link key={n} className="link mono" href={`/jobs/by/${n}`} prefetch={false}>
            {n}
          </Link>
        ))}
        {jobs.length > 200 && <span className="q">and {jobs.length - 200} more, in the CSV</span>}
      </p>
    </details>
  );
}
