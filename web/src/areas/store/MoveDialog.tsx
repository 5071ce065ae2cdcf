import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog, whole } from "../../parts/FormDialog";
import { shelfOptions } from "./shelfOptions";

/** MoveDialog puts a jar on another shelf. */
export function MoveDialog({
  jar,
  shelves,
  onClose,
}: {
  jar: Schemas["JarView"];
  shelves: Schemas["StoreShelf"][];
  onClose: () => void;
}) {
  return (
    <FormDialog
      title={`Move the ${jar.brief.vessel} of ${jar.brief.name}`}
      act="Move it"
      values={{ shelf: String(jar.shelfId) }}
      fields={[{ name: "shelf", label: "To", kind: "choice", options: shelfOptions(shelves), wide: true }]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/store/jars/{id}/move", {
            params: { path: { id: jar.brief.id } },
            body: { shelfId: whole(typed.shelf) },
          }),
        )
      }
    />
  );
}
