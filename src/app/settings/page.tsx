import { headers } from "next/headers";
import { makePlan } from "@/core/teardown";
import { VIA } from "@/proxy";
import { shopFiles } from "@/server/backup/carry";
import { backupLines } from "@/server/backup/commands";
import { readDrill } from "@/server/backup/drill";
import { backupsHere } from "@/server/backup/place";
import { backupCaution, readBackupSetting } from "@/server/backup/schedule";
import { readHabits } from "@/server/habits";
import { readHeatOwn } from "@/server/heatOwn";
import { readShopHours } from "@/server/hours";
import { nowMs } from "@/server/now";
import { readReference } from "@/server/reference";
import { feedFailure } from "@/server/sellers";
import { devices, listener, readNetwork } from "@/server/session";
import { readWeights } from "@/server/weights";
import { CarryShop } from "@/ui/bench/CarryShop";
import { CostSettings } from "@/ui/bench/CostSettings";
import { FeedSetting } from "@/ui/bench/FeedSetting";
import { HabitSettings } from "@/ui/bench/HabitSettings";
import { HeatSettings } from "@/ui/bench/HeatSettings";
import { HoursSettings } from "@/ui/bench/HoursSettings";
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

const PARTS = [
  ["bench", "The bench and this screen"],
  ["tools", "Tools and plans"],
  ["money", "Prices and sellers"],
  ["keeping", "Keeping and moving the shop"],
  ["network", "Tablets"],
] as const;

export default async function SettingsPage() {
  const net = await readNetwork();
  const afar = (await headers()).get(VIA) === "bench-network";
  const { quote, tools, builds } = await readReference();
  const weights = await readWeights();
  const habits = await readHabits();
  const hours = await readShopHours();
  const asked = [
    ...new Set(
      builds.flatMap((b) => {
        const made = makePlan(b.data, [], undefined, weights);
        return made.ok ? made.plan.tools.filter((t) => t.mm === undefined).map((t) => t.name) : [];
      }),
    ),
  ].sort();
  return (
    <Desk title="Settings" ways={[["/likelihoods", "The fault model"]]}>
      <nav aria-label="Parts of Settings" className="setnav">
        {PARTS.filter(([id]) => !afar || !["keeping"].includes(id)).map(([id, words]) => (
          <a key={id} className="link" href={`#${id}`}>
            {words}
          </a>
        ))}
      </nav>
      <div id="bench" className="setpart">
        <HabitSettings habits={habits} nowMs={nowMs()} />
        <HoursSettings hours={hours} weekStart={habits.weekStart} />
        <SettingsForms />
        <ScreenCheck />
      </div>
      {tools && (
        <div id="tools" className="setpart">
          <ToolSettings stock={tools.data} version={tools.version} asked={asked} />
          <WeightSettings weights={weights} />
          <HeatSettings own={await readHeatOwn()} />
        </div>
      )}
      {quote && (
        <div id="money" className="setpart">
          <PriceSettings policy={quote.data} version={quote.version} />
          <CostSettings hours={hours} currency={quote.data.currency} />
          <FeedSetting failure={await feedFailure()} />
        </div>
      )}
      {!afar && (
        <div id="keeping" className="setpart">
          <KeepShop
            backups={await backupLines()}
            drill={await readDrill()}
            setting={await readBackupSetting()}
            here={backupsHere()}
            caution={await backupCaution()}
          />
          <CarryShop files={await shopFiles()} here={backupsHere()} />
          <RemoveWords />
        </div>
      )}
      <div id="network" className="setpart">
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
      </div>
    </Desk>
  );
}
