import { headers } from "next/headers";
import { makePlan } from "@/core/teardown";
import { VIA } from "@/proxy";
import { shopFiles } from "@/server/backup/carry";
import { backupLines } from "@/server/backup/commands";
import { readDrill } from "@/server/backup/drill";
import { backupsHere } from "@/server/backup/place";
import { backupCaution, readBackupSetting } from "@/server/backup/schedule";
import { readHabits } from "@/server/habits";
import { nowMs } from "@/server/now";
import { readReference } from "@/server/reference";
import { feedFailure } from "@/server/sellers";
import { devices, listener, readNetwork } from "@/server/session";
import { readWeights } from "@/server/weights";
import { CarryShop } from "@/ui/bench/CarryShop";
import { FeedSetting } from "@/ui/bench/FeedSetting";
import { HabitSettings } from "@/ui/bench/HabitSettings";
import { KeepShop } from "@/ui/bench/KeepShop";
import { NetworkForm, SignOut } from "@/ui/bench/NetworkForm";
import { PriceSettings } from "@/ui/bench/PriceSettings";
import { RemoveWords } from "@/ui/bench/RemoveWords";
import { ScreenCheck } from "@/ui/bench/ScreenCheck";
import { SettingsForms } from "@/ui/bench/SettingsForms";
import { ToolSettings } from "@/ui/bench/ToolSettings";
import { WeightSettings } from "@/ui/bench/WeightSettings";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "Settings, Helvane" };

export default async function SettingsPage() {
  const net = await readNetwork();
  const afar = (await headers()).get(VIA) === "bench-network";
  const { quote, tools, builds } = await readReference();
  const weights = await readWeights();
  const asked = [
    ...new Set(
      builds.flatMap((b) => {
        const made = makePlan(b.data, [], undefined, weights);
        return made.ok ? made.plan.tools.map((t) => t.name) : [];
      }),
    ),
  ].sort();
  return (
    <Desk title="Settings" ways={[["/likelihoods", "The fault model"]]}>
      <HabitSettings habits={await readHabits()} nowMs={nowMs()} />
      <SettingsForms />
      {afar ? (
        <SignOut />
      ) : (
        <NetworkForm
          on={net?.on ?? false}
          hasPasscode={!!net?.passcodeHash}
          addresses={net?.on ? (listener()?.addresses() ?? []) : []}
          hosts={net?.hosts ?? []}
          devices={net?.on ? await devices() : []}
        />
      )}
      {!afar && (
        <>
          <KeepShop
            backups={await backupLines()}
            drill={await readDrill()}
            setting={await readBackupSetting()}
            here={backupsHere()}
            caution={await backupCaution()}
          />
          <CarryShop files={await shopFiles()} here={backupsHere()} />
          <RemoveWords />
        </>
      )}
      <ScreenCheck />
      <FeedSetting failure={await feedFailure()} />
      {tools && <ToolSettings stock={tools.data} version={tools.version} asked={asked} />}
      <WeightSettings weights={weights} />
      {quote && <PriceSettings policy={quote.data} version={quote.version} />}
    </Desk>
  );
}
