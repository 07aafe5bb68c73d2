import Link from "next/link";
import { listener, readNetwork } from "@/server/session";
import { SettingsForms } from "@/ui/bench/SettingsForms";
import { Brand } from "@/ui/shell/JobStrip";

export const dynamic = "force-dynamic";
export const metadata = { title: "Settings, Helvane" };

export default async function SettingsPage() {
  const net = await readNetwork();
  return (
    <main className="grow-page">
      <div className="desk">
        <p>
          <Brand />
        </p>
        <h1 className="step">Settings</h1>
        <SettingsForms
          on={net?.on ?? false}
          hasPasscode={!!net?.passcodeHash}
          addresses={net?.on ? (listener()?.addresses() ?? []) : []}
        />
        <p>
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
