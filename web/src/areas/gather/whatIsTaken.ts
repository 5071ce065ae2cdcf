import type { Schemas } from "../../api/client";
import type { Options } from "../../parts/SelectField";

/** whatIsTaken offers every part that can be taken on the plot, by a value that names both plant and part. */
export const whatIsTaken = (needs: Schemas["NeedView"][]): Options =>
  needs.map((need) => [`${need.speciesId}/${need.part}`, `${need.name} ${need.part}`] as const);

/** taken is the plant and part of such a value. */
export const taken = (value: string | undefined) => {
  const [speciesId = "", ...part] = (value ?? "").split("/");
  return { speciesId, part: part.join("/") };
};
