import { createContext, Suspense, useContext, useMemo, useState, type ReactNode } from "react";

import { fetchedAhead } from "./ahead";
import { Boundary } from "./Boundary";
import { NotOpenedDialog } from "./NotOpenedDialog";

const ObserveDialog = fetchedAhead(() => import("./ObserveDialog").then((code) => code.ObserveDialog));
const PickDialog = fetchedAhead(() => import("./PickDialog").then((code) => code.PickDialog));

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
  const leave = () => {
    setObserving(undefined);
    setPicking(undefined);
  };
  return (
    <ActsContext value={acts}>
      {children}
      <Boundary at={String(observing ?? picking?.id)} instead={<NotOpenedDialog onClose={leave} />}>
        <Suspense>
          {observing !== undefined && <ObserveDialog plantingId={observing} onClose={leave} />}
          {picking && <PickDialog plantingId={picking.id} part={picking.part} onClose={leave} />}
        </Suspense>
      </Boundary>
    </ActsContext>
  );
}
