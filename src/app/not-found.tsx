import Link from "next/link";

export default function NotFound() {
  return (
    <main className="grow-page">
      <div className="desk">
        <h1 className="step">There is nothing at this address</h1>
        <p>
          The job may be on another bench, or not imported yet.{" "}
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
