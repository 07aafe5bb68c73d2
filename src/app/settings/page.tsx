import { makePlan } from "@/core/teardown";
import { readReference } from "@/server/reference";
import { feedFailure } from "@/server/sellers";
import { listener, readNetwork } from "@/server/session";
import { FeedSetting } from "@/ui/bench/FeedSetting";
import { PriceSettings } from "@/ui/bench/PriceSettings";
import { ScreenCheck } from "@/ui/bench/ScreenCheck";
import { SettingsForms } from "@/ui/bench/SettingsForms";
import { ToolSettings } from "@/ui/bench/ToolSettings";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "Settings, Helvane" };

export default async function SettingsPage() {
  const net = await readNetwork();
  const { quote, tools, builds } = await readReference();
  const asked = [
    ...new Set(
      builds.flatMap((b) => {
        const made = makePlan(b.data);
        return made.ok ? made.plan.tools.map((t) => t.name) : [];
      }),
    ),
  ].sort();
  return (
    <Desk title="Settings" ways={[["/likelihoods", "The fault model"]]}>
      <SettingsForms
        on={net?.on ?? false}
        hasPasscode={!!net?.passcodeHash}
        addresses={net?.on ? (listener()?.addresses() ?? []) : []}
      />
      <ScreenCheck />
      <FeedSetting failure={await feedFailure()} />
      {tools && <ToolSettings stock={tools.data} version={tools.version} asked={asked} />}
      {quote && <PriceSettings policy={quote.data} version={quote.version} />}
    </Desk>
  );
}
