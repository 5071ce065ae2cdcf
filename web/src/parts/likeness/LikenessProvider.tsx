import { useMemo, type ReactNode } from "react";

import { useLikenesses } from "../../api/queries";
import { Likenesses } from "./useLikeness";

/** LikenessProvider reads once what the drawings of all plants follow. */
export function LikenessProvider({ children }: { children: ReactNode }) {
  const { data, error } = useLikenesses();
  const all = useMemo(
    () => (data || error ? new Map(data?.map((l) => [l.id, l])) : undefined),
    [data, error],
  );
  return <Likenesses value={all}>{children}</Likenesses>;
}
