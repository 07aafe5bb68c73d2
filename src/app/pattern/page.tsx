import { StickScreen } from "@/ui/prove/StickScreen";

export const dynamic = "force-dynamic";
export const metadata = { title: "Test patterns" };

/** Full-screen patterns for the machine under test. No job data is read here. */
export default function PatternPage() {
  return <StickScreen />;
}
