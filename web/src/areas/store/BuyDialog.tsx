import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog, whole, type Field } from "../../parts/FormDialog";
import { same } from "../../parts/SelectField";
import { useMakings } from "./queries";
import { shelfOptions } from "./shelfOptions";

/** BuyDialog notes what was bought, in its jar: it stands beside the own until that replaces it. */
export function BuyDialog({ shelves, onClose }: { shelves: Schemas["StoreShelf"][]; onClose: () => void }) {
  const makings = useMakings().data;
  const partsOf = (id: string | undefined) => same(makings?.plants.find((one) => one.id === id)?.parts ?? []);
  const fields: Field[] = [
    { name: "speciesId", label: "Plant", kind: "plant", wide: true },
    { name: "part", label: "Part", kind: "choice", options: (typed) => partsOf(typed.speciesId) },
    { name: "amount", label: "How much" },
    { name: "from", label: "Bought from" },
    { name: "day", label: "On", kind: "day" },
    { name: "jar.holds", label: "Its jar holds", help: "500 ml, 1 pint" },
    { name: "jar.shelfId", label: "On", kind: "choice", options: shelfOptions(shelves) },
    { name: "keeps", label: "Keeps how many months", kind: "number", help: "Empty: as is usual" },
  ];
  return (
    <FormDialog
      title="Bought"
      act="Put it in the store"
      values={{
        speciesId: "",
        part: "",
        amount: "",
        from: "",
        day: "",
        "jar.holds": "",
        "jar.shelfId": "0",
        keeps: "",
      }}
      fields={fields}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/store/bought", {
            body: {
              speciesId: typed.speciesId ?? "",
              part: typed.part ?? "",
              from: typed.from ?? "",
              day: typed.day,
              keeps: typed.keeps,
              amount: typed.amount ?? "",
              jar: { holds: typed["jar.holds"], shelfId: whole(typed["jar.shelfId"]) },
            },
          }),
        )
      }
    />
  );
}
