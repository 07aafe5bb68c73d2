import { UnlockForm } from "@/ui/bench/UnlockForm";

export const dynamic = "force-dynamic";
export const metadata = { title: "Unlock this device, Helvane" };

export default function UnlockPage() {
  return (
    <main className="grow-page">
      <div className="desk">
        <h1 className="step">This bench needs its passcode</h1>
        <UnlockForm />
        <p className="q">
          Test patterns need none:{" "}
          <a className="link" href="/pattern">
            patterns
          </a>
          .
        </p>
      </div>
    </main>
  );
}
