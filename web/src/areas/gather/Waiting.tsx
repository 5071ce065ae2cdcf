import { useNow } from "../../api/queries";
import { Waits } from "../../parts/Waits";

/** Waiting counts the pickings that are open. */
export function Waiting({ corner }: { corner?: boolean }) {
  const now = useNow().data;
  const picks = now ? [...now.closing, ...now.open].filter((job) => job.kind === "pick") : [];
  return <Waits n={picks.length} corner={corner} />;
}
