import Link from "next/link";
import { readReference } from "@/server/reference";
import { listener, readNetwork } from "@/server/session";
import { PriceSettings } from "@/ui/bench/PriceSettings";
import { SettingsForms } from "@/ui/bench/SettingsForms";
import { Brand } from "@/ui/shell/JobStrip";

export const dynamic = "force-dynamic";
export const metadata = { title: "Settings, Helvane" };

export default async function SettingsPage() {
  const net = await readNetwork();
  const { quote } = await readReference();
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
        {quote && <PriceSettings policy={quote.data} version={quote.version} />}
        <p>
          <Link className="link" href="/likelihoods">
            The fault model
          </Link>
        </p>
        <p>
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
