import { useRound } from "../../api/queries";
import { Waits } from "../../parts/Waits";

/** Waiting counts the stops that are left of a round under way. */
export function Waiting({ corner }: { corner?: boolean }) {
  const round = useRound().data;
  return <Waits n={round && round.seen > 0 ? round.stops.length - round.seen : 0} corner={corner} />;
}
