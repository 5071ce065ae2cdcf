import { Box, Button, Typography } from "@mui/material";

import type { Schemas } from "../../../api/client";
import { MoveForm } from "./SeveralPanel";
import type { Item } from "../drawing/things";

interface Props {
  item: Item;
  editing: boolean;
  dragged?: Schemas["DragView"];
  onChange: () => void;
  onRemove: () => void;
  onSaved: (entry: Schemas["Entry"]) => void;
}

/** ItemPanel is a thing on the plan: what it is, and what is reckoned with it. */
export function ItemPanel({ item, editing, onChange, onRemove, onSaved }: Props) {
  return (
    <>
      <Typography variant="h1" sx={{ fontSize: "1.6rem" }}>
        {item.name || item.kind.charAt(0).toUpperCase() + item.kind.slice(1)}
      </Typography>
      <Box sx={{ color: "text.secondary" }}>
        {item.name && `${item.kind.charAt(0).toUpperCase()}${item.kind.slice(1)} · `}
        {item.words}
      </Box>
      <Box sx={{ borderLeft: "5px solid var(--rule)", pl: 1.2, my: 1.2 }}>{item.means}</Box>
      {item.bears && <Box sx={{ fontSize: 14.5 }}>{item.bears}</Box>}
      {item.input.note && <p style={{ margin: "8px 0" }}>{item.input.note}</p>}
      <Box sx={{ display: "flex", gap: 1, mt: 1.5, flexWrap: "wrap" }}>
        <Button variant="outlined" onClick={onChange}>
          Change
        </Button>
        <Button color="inherit" onClick={onRemove}>
          Remove
        </Button>
      </Box>
      {editing && (
        <MoveForm things={[{ what: "item", id: item.id, version: item.version }]} onSaved={onSaved} />
      )}
    </>
  );
}
