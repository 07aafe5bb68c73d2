export const dynamic = "force-dynamic";

/** A route with nothing on it: what `npm run bench` holds the weight of the other routes against. */
export default function EmptyPage() {
  return null;
}
