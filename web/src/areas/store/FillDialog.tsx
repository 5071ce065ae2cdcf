import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog, whole, type Field, type Values } from "../../parts/FormDialog";
import { shelfOptions } from "./shelfOptions";

const vessels: [string, string][] = [
  ["", "What is usual for it"],
  ["jar", "Jar"],
  ["bottle", "Bottle"],
  ["tin", "Tin"],
  ["bag", "Bag"],
];

/** The fields are called as the server calls them, so that what is wrong stands at its field. */
const own = (typed: Values) => typed["jars.0.jarId"] === "0";

/** FillDialog fills a lot into a jar of its own, or into one of the same that stands. */
export function FillDialog({
  lot,
  store,
  onClose,
}: {
  lot: Schemas["LotLine"];
  store: Schemas["StoreView"];
  onClose: () => void;
}) {
  const alike = store.shelves
    .flatMap((one) => one.jars)
    .filter((jar) => jar.name === lot.name && jar.making === lot.making && jar.held === "");
  const fields: Field[] = [
    {
      name: "jars.0.jarId",
      label: "Into",
      kind: "choice",
      options: [
        ["0", "A jar of its own"],
        ...alike.map((jar): [string, string] => [
          String(jar.id),
          `The ${jar.vessel} of ${jar.holds} with ${jar.amount}`,
        ]),
      ],
    },
    { name: "jars.0.amount", label: "How much", help: `Empty: as much as goes in, of ${lot.left}` },
    { name: "jars.0.vessel", label: "A", kind: "choice", options: vessels, when: (typed) => own(typed) },
    {
      name: "jars.0.holds",
      label: "It holds",
      help: "To the rim: 500 ml, 1 pint",
      when: (typed) => own(typed),
    },
    {
      name: "jars.0.shelfId",
      label: "On",
      kind: "choice",
      options: shelfOptions(store.shelves),
      when: (typed) => own(typed),
    },
  ];
  return (
    <FormDialog
      title={`Fill ${lot.name} into a jar`}
      act="Fill it"
      values={{
        "jars.0.jarId": "0",
        "jars.0.amount": "",
        "jars.0.vessel": "",
        "jars.0.holds": "",
        "jars.0.shelfId": String(store.shelves[0]?.id ?? 0),
      }}
      fields={fields}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/store/lots/{id}/fill", {
            params: { path: { id: lot.id } },
            body: {
              jars: [
                {
                  jarId: whole(typed["jars.0.jarId"]),
                  amount: typed["jars.0.amount"],
                  vessel: typed["jars.0.vessel"],
                  holds: typed["jars.0.holds"],
                  shelfId: whole(typed["jars.0.shelfId"]),
                },
              ],
            },
          }),
        )
      }
    />
  );
}
