import { Button } from "@mui/material";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { FormDialog, whole } from "../../parts/FormDialog";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";

/** ShelfDialog puts up a shelf, or changes one. */
export function ShelfDialog({ shelf, onClose }: { shelf?: Schemas["StoreShelf"]; onClose: () => void }) {
  const { noted } = useUndo();
  const { send, sending } = useSend();
  const remove = async () => {
    if (!shelf) return;
    const entry = await send(() =>
      answerOf(api.DELETE("/api/store/shelves/{id}", { params: { path: { id: shelf.id } } })),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <FormDialog
      title={shelf ? "Change the shelf" : "Put up a shelf"}
      act={shelf ? "Change it" : "Put it up"}
      values={{ name: shelf?.name ?? "", position: shelf ? String(shelf.position) : "" }}
      version={shelf?.version}
      fields={[
        { name: "name", label: "Name", help: "Where it is, or what stands on it" },
        { name: "position", label: "Its place from above", kind: "number", help: "Empty: below the others" },
      ]}
      onClose={onClose}
      send={(typed, version) => {
        const body = { name: typed.name ?? "", position: whole(typed.position) };
        return shelf
          ? answerOf(
              api.PUT("/api/store/shelves/{id}", {
                params: { path: { id: shelf.id }, header: shownVersion(version) },
                body,
              }),
            )
          : answerOf(api.POST("/api/store/shelves", { body }));
      }}
    >
      {shelf && (
        <Button size="small" color="error" disabled={sending} onClick={() => void remove()}>
          Take it down
        </Button>
      )}
    </FormDialog>
  );
}
