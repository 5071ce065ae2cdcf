import { Box, Button, Typography } from "@mui/material";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { Link } from "react-router";

import { usePlot, useSite } from "../../api/queries";
import { FirstBed } from "./FirstBed";
import { ManyPlants } from "./ManyPlants";
import { Where } from "./Where";
import { degrees } from "./WorldMap";

/** Begin is the first hour: where the plot lies, a bed, and what stands in it; later, many plants at once. */
export function Begin() {
  const site = useSite().data;
  const plot = usePlot().data;
  const [more, setMore] = useState(false);
  if (!site || !plot) return <Box sx={{ minHeight: 500 }} />;
  const beds = plot.beds;
  const standing = beds.flatMap((bed) => bed.plantings).length;
  return (
    <Box sx={{ maxWidth: 980 }}>
      <Typography variant="h1" sx={{ mb: 1 }}>
        {standing > 0 ? "Set many plants" : "Begin"}
      </Typography>
      <Step
        title="Where it lies"
        done={
          site.placed
            ? `${site.climateName}, ${degrees(site.latitude, "north", "south")}. Settings changes it.`
            : undefined
        }
        now
      >
        <Where site={site} />
      </Step>
      <Step
        title="A bed"
        done={
          beds.length > 0 && !more
            ? `${beds.map((bed) => bed.name).join(", ")}. Its ground, sun and shape can be told on the plan, later.`
            : undefined
        }
        now={site.placed}
        onMore={() => setMore(true)}
        more="Another bed"
      >
        <FirstBed beds={beds} us={site.units === "us"} onLaid={() => setMore(false)} />
      </Step>
      <Step title="What stands in it" now={site.placed && beds.length > 0}>
        <ManyPlants beds={beds} site={site} />
      </Step>
      {standing > 0 && (
        <Box sx={{ borderLeft: "5px solid var(--leaf)", pl: 1.5, py: 0.5, mt: 2, fontSize: 17 }}>
          {standing} {standing === 1 ? "planting stands" : "plantings stand"} on the plan.
          <Box sx={{ mt: 1 }}>
            <Button component={Link} to="/" variant="contained">
              See what is to be done now
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}

interface StepProps {
  title: string;
  /** What was said, once it is. */
  done?: string;
  /** True where it is its turn. */
  now: boolean;
  more?: string;
  onMore?: () => void;
  children: ReactNode;
}

/** Step is one question of the first hour: asked when it is its turn, a line once it is answered. */
function Step({ title, done, now, more, onMore, children }: StepProps) {
  const open = now && done === undefined;
  const box = useRef<HTMLElement>(null);
  const wasOpen = useRef(open);
  useEffect(() => {
    // What was answered goes from the page: the keyboard goes on with the next question.
    if (open && !wasOpen.current) box.current?.focus();
    wasOpen.current = open;
  }, [open]);
  return (
    <Box
      component="section"
      ref={box}
      tabIndex={-1}
      aria-label={title}
      sx={{
        outline: "none",
        borderLeft: `5px solid var(${open ? "--bramble" : "--rule"})`,
        pl: 1.75,
        pb: 0.5,
        mb: 2,
      }}
    >
      <Typography variant="h2" sx={{ color: now ? undefined : "text.secondary" }}>
        {title}
      </Typography>
      {done !== undefined && (
        <Box sx={{ color: "text.secondary" }}>
          {done}{" "}
          {onMore && (
            <Box
              component="button"
              onClick={onMore}
              sx={{
                font: "inherit",
                background: "none",
                border: 0,
                p: 0,
                minHeight: 32,
                color: "var(--bramble)",
                textDecoration: "underline",
                cursor: "pointer",
              }}
            >
              {more}
            </Box>
          )}
        </Box>
      )}
      {open && children}
    </Box>
  );
}
