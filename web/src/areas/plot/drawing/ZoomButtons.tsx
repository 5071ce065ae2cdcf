import { Button, ButtonGroup } from "@mui/material";

interface Props {
  onZoom: (factor: number) => void;
  onShow: (what: "whole" | "beds") => void;
}

/** ZoomButtons lie on the plan's lower right. */
export function ZoomButtons({ onZoom, onShow }: Props) {
  return (
    <ButtonGroup
      size="small"
      aria-label="Zoom"
      className="no-print"
      sx={{
        position: { xs: "static", md: "absolute" },
        right: 8,
        bottom: 8,
        "& button": { background: "var(--card)", minHeight: { xs: 48, md: 32 } },
      }}
    >
      <Button onClick={() => onZoom(1 / 1.4)} aria-label="Smaller">
        −
      </Button>
      <Button onClick={() => onZoom(1.4)} aria-label="Larger">
        +
      </Button>
      <Button onClick={() => onShow("beds")}>The beds</Button>
      <Button onClick={() => onShow("whole")}>The whole plot</Button>
    </ButtonGroup>
  );
}
