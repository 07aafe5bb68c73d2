import { StickScreen } from "@/ui/prove/StickScreen";

export const dynamic = "force-dynamic";
export const metadata = { title: "Touch test" };

/** For the machine under test: the whole glass drawn over, then a watch with hands off. No job data is read here. */
export default async function TouchPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const q = await searchParams;
  const mm = (v: unknown) => {
    const n = Number(v);
    return Number.isFinite(n) && n >= 50 && n <= 600 ? n : undefined;
  };
  return <StickScreen widthMm={mm(q.w)} heightMm={mm(q.h)} start={q.dots === undefined ? "draw" : "dots"} />;
}
