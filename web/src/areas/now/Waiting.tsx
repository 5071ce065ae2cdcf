import { useNow } from "../../api/queries";
import { Waits } from "../../parts/Waits";

/** Waiting counts the jobs whose time is closing. */
export function Waiting({ corner }: { corner?: boolean }) {
  return <Waits n={useNow().data?.closing.length ?? 0} corner={corner} />;
}
