import { VIA } from "@/proxy";
import { knownShopFile, lookIntoShop, takeShop } from "@/server/backup/carry";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { ShopTake } from "@/wire/backup";

export const dynamic = "force-dynamic";

/** Reads a shop's file and says what taking it over would do; when sure, takes it over. At the machine itself. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "A shop is taken over at the machine itself.");
  const body = await readJson(req, ShopTake);
  if (!body.ok) return body.response;
  const { file: asked, passphrase, sure } = body.value;
  const file = await knownShopFile(asked);
  if (!file) return problem(404, "That file is not in the folders of the backups any more. Reload the list.");
  const told = (problems: string[]) =>
    problem(
      409,
      "Nothing was taken over.",
      problems.map((message) => ({ where: "file", message })),
    );
  if (!sure) {
    const looked = await lookIntoShop(file, passphrase);
    return looked.ok ? json(looked.read) : told(looked.problems);
  }
  const done = await takeShop(file, passphrase);
  return done.ok ? json({ ...done.read, jobs: done.jobs, events: done.events }) : told(done.problems);
});
