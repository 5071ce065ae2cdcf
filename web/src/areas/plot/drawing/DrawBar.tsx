import { Box, Button } from "@mui/material";

import { useSite } from "../../../api/queries";
import { SelectField, type Options } from "../../../parts/SelectField";
import { shapeOf, type Shape } from "./things";
import type { Tool } from "./useEditor";

interface Props {
  tool?: Tool;
  onTool: (tool?: Tool) => void;
  undo: number;
  redo: number;
  busy: boolean;
  onUndo: () => void;
  onRedo: () => void;
  onBoundary: () => void;
  onTyped: (kind: string) => void;
}

const bedTools: [Shape, string][] = [
  ["rectangle", "Bed, rectangle"],
  ["polygon", "Bed, corner by corner"],
  ["ring", "Bed, ring"],
  ["round", "Pot"],
];

const shapeWords: Record<string, string> = {
  rectangle: "rectangle",
  polygon: "corner by corner",
  line: "line",
  round: "round",
};

const strokes: Record<Shape, string> = {
  rectangle: "Press at one corner and drag to the other.",
  ring: "Press in the middle and drag outwards.",
  round: "Press in the middle and drag outwards.",
  polygon: "Click each corner; a double click or Enter ends it.",
  line: "Click each point; a double click or Enter ends it.",
};

/** DrawBar chooses what is drawn, and undoes and redoes. */
export function DrawBar({ tool, onTool, undo, redo, busy, onUndo, onRedo, onBoundary, onTyped }: Props) {
  const kinds = useSite().data?.kinds ?? [];
  const options: Options = [
    ["", "nothing: choose, move"],
    ...bedTools.map(([shape, words]) => [`bed|${shape}`, words] as const),
    ...kinds.flatMap((kind) =>
      kind.shapes.map(
        (shape) =>
          [
            `${kind.kind}|${shape}`,
            kind.shapes.length > 1
              ? `${sentence(kind.kind)}, ${shapeWords[shape] ?? shape}`
              : sentence(kind.kind),
          ] as const,
      ),
    ),
    ["boundary|polygon", "The boundary"],
  ];
  return (
    <Box
      className="no-print"
      sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mb: 1, minHeight: 40 }}
    >
      <SelectField
        label="Draw"
        value={tool ? `${tool.kind}|${tool.shape}` : ""}
        onChange={(chosen) => {
          const [kind = "", shape = ""] = chosen.split("|");
          onTool(kind ? { kind, shape: shapeOf(shape) } : undefined);
        }}
        options={options}
        width={236}
      />
      {tool && tool.kind !== "boundary" && (
        <Button size="small" onClick={() => onTyped(tool.kind)}>
          Type its numbers
        </Button>
      )}
      <Button
        size="small"
        variant="outlined"
        disabled={undo === 0 || busy}
        onClick={onUndo}
        aria-label="Undo the last change of the plan"
      >
        Undo
      </Button>
      <Button
        size="small"
        variant="outlined"
        disabled={redo === 0 || busy}
        onClick={onRedo}
        aria-label="Redo"
      >
        Redo
      </Button>
      <Button size="small" color="inherit" onClick={onBoundary}>
        Boundary and north
      </Button>
      <Box sx={{ color: "text.secondary", fontSize: 14, flexBasis: "100%" }}>
        {tool
          ? strokes[tool.shape]
          : "Click to choose, with shift to add; drag to move. Edges and 10 cm hold; alt frees."}
      </Box>
    </Box>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
