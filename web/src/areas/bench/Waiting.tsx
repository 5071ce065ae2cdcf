import { useNow } from "../../api/queries";
import { Waits } from "../../parts/Waits";

/** Waiting counts the bench's jobs whose time is closing. */
export function Waiting({ corner }: { corner?: boolean }) {
  const closing = useNow().data?.closing.filter((job) => job.kind === "bench") ?? [];
  return <Waits n={closing.length} corner={corner} />;
}
