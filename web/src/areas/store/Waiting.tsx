import { useNow } from "../../api/queries";
import { Waits } from "../../parts/Waits";

/** Waiting counts what the store would have done now. */
export function Waiting({ corner }: { corner?: boolean }) {
  const now = useNow().data;
  const jobs = now ? [...now.closing, ...now.open].filter((job) => job.kind === "store") : [];
  return <Waits n={jobs.length} corner={corner} />;
}
