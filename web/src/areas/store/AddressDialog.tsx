import { answerOf, api } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";

/** AddressDialog asks where the household's own devices reach this house: labels lead there. */
export function AddressDialog({ address, onClose }: { address: string; onClose: () => void }) {
  return (
    <FormDialog
      title="The address on labels"
      act="Keep it"
      values={{ address }}
      fields={[
        {
          name: "address",
          label: "Address",
          help: "As a phone of the house opens it, such as http://192.168.0.10:8420. Empty: as this page was opened",
          wide: true,
        },
      ]}
      onClose={onClose}
      send={(typed) => answerOf(api.PUT("/api/store/address", { body: { address: typed.address ?? "" } }))}
    />
  );
}
