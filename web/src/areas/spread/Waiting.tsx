import { useNow } from "../../api/queries";
import { Waits } from "../../parts/Waits";

/** Waiting counts the jobs of holding plants whose time is closing. */
export function Waiting({ corner }: { corner?: boolean }) {
  const closing = useNow().data?.closing.filter((job) => job.kind === "spread") ?? [];
  return <Waits n={closing.length} corner={corner} />;
}
