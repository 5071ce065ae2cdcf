import { Alert, Box, Button, TextField } from "@mui/material";
import { useState } from "react";

import { api, answerOf, type Schemas } from "../../api/client";
import { useCautions } from "../../api/queries";
import { useUndo } from "../../parts/Undo";
import { FirstTastes } from "./FirstTastes";
import { CautionList } from "../../parts/CautionList";
import { same, SelectField } from "../../parts/SelectField";
import { useSend } from "../../parts/useSend";

/** FreshForm notes what of a picking was used fresh, with the cautions of just that. */
export function FreshForm({ basket, onClose }: { basket: Schemas["BasketView"]; onClose: () => void }) {
  const { noted } = useUndo();
  const { send, sending, fault, fields, at } = useSend();
  const [made, setMade] = useState(basket.freshAs[0] ?? "");
  const [amount, setAmount] = useState("");
  const cautions = useCautions(basket.pickingId, made).data;
  const onSave = async () => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/pickings/{id}/makings", {
          params: { path: { id: basket.pickingId } },
          body: { preparation: made, amount },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    onClose();
  };
  return (
    <Box sx={{ mt: 1, mb: 1.5, maxWidth: 760 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "flex-start" }}>
        <SelectField label="As" value={made} onChange={setMade} options={same(basket.freshAs)} width={220} />
        <TextField
          label="How much of it"
          value={amount}
          onChange={(event) => setAmount(event.target.value)}
          placeholder={basket.leftWeight}
          {...at("amount", `Empty: all that is left, ${basket.leftWeight}`)}
          sx={{ width: 220 }}
        />
      </Box>
      {cautions && <CautionList cautions={cautions} />}
      {basket.byMouth && <FirstTastes basket={basket} />}
      {(fault || fields.preparation) && <Alert severity="error">{fault || fields.preparation}</Alert>}
      <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
        <Button variant="contained" disabled={sending} onClick={() => void onSave()}>
          Note that it is used
        </Button>
        <Button
          component="a"
          href={`/api/pickings/${basket.pickingId}/label?preparation=${encodeURIComponent(made)}`}
          target="_blank"
        >
          Its label
        </Button>
        <Button onClick={onClose}>Leave</Button>
      </Box>
    </Box>
  );
}
