import { createContext, useContext, useMemo, useState, type ReactNode } from "react";

import { ObserveDialog } from "./ObserveDialog";
import { PickDialog } from "./PickDialog";

/** Acts opens the two notes that every screen can make: a look and a picking. */
interface Acts {
  selected: number | undefined;
  select: (plantingId: number | undefined) => void;
  observe: (plantingId: number) => void;
  pick: (plantingId: number, part?: string) => void;
}

const none = () => undefined;
const ActsContext = createContext<Acts>({ selected: undefined, select: none, observe: none, pick: none });

export const useActs = () => useContext(ActsContext);

export function ActsProvider({ children }: { children: ReactNode }) {
  const [selected, select] = useState<number>();
  const [observing, setObserving] = useState<number>();
  const [picking, setPicking] = useState<{ id: number; part?: string }>();
  const acts = useMemo(
    () => ({
      selected,
      select,
      observe: setObserving,
      pick: (id: number, part?: string) => setPicking({ id, part }),
    }),
    [selected],
  );
  return (
    <ActsContext value={acts}>
      {children}
      {observing !== undefined && (
        <ObserveDialog plantingId={observing} onClose={() => setObserving(undefined)} />
      )}
      {picking && (
        <PickDialog plantingId={picking.id} part={picking.part} onClose={() => setPicking(undefined)} />
      )}
    </ActsContext>
  );
}
