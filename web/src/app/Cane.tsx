import { Box, useMediaQuery, useTheme } from "@mui/material";
import { Suspense, useState, type MouseEvent } from "react";
import { Link, useLocation } from "react-router";

import { useSite } from "../api/queries";
import { fetchedAhead } from "../parts/ahead";
import type { Node } from "../parts/area";
import { Boundary } from "../parts/Boundary";
import { nodes } from "./areas";
import { useKept } from "../parts/shownDay";
import { headings } from "../parts/theme";

const MoreMenu = fetchedAhead(() => import("./MoreMenu").then((code) => code.MoreMenu));

/** isAt tells whether a node is the one shown. */
function isAt(node: Node, path: string): boolean {
  if (node.path === "/") return path === "/";
  return [node.path, ...(node.also ?? [])].some((start) => path.startsWith(start));
}

const step = 54;

/** How far the cane sways to a side at each of its nodes. */
const sway = (i: number) => Math.round(4 * Math.sin(2.2 * i + 0.8));

/** Cane is the navigation: a bramble cane with a node for each area. */
export function Cane({ open }: { open: { help: () => void; find: () => void } }) {
  const { pathname } = useLocation();
  const kept = useKept();
  const site = useSite().data;
  const narrow = useMediaQuery(useTheme().breakpoints.down("md"));
  const along = nodes
    .filter((node) => (narrow ? node.outdoors : !node.foot))
    .map((node, i) => ({ ...node, at: isAt(node, pathname), x: 16 + sway(i), y: 30 + i * step }));
  const foot = nodes.filter((node) => node.foot);
  if (narrow) {
    return (
      <Box
        component="nav"
        aria-label="Areas"
        className="no-print"
        sx={{
          position: "fixed",
          insetInline: 0,
          bottom: 0,
          zIndex: 20,
          background: "var(--cane)",
          borderTop: "1px solid var(--rule)",
          display: "flex",
        }}
      >
        <Box
          component="svg"
          aria-hidden
          viewBox="0 0 100 8"
          preserveAspectRatio="none"
          sx={{ position: "absolute", insetInline: 0, top: 6, height: 10, width: "100%" }}
        >
          <path
            d="M0 4 C20 1 30 7 50 4 S80 2 100 5"
            stroke="var(--bramble)"
            strokeWidth={2}
            fill="none"
            vectorEffect="non-scaling-stroke"
          />
        </Box>
        {along.map((node) => (
          <Box
            key={node.path}
            component={Link}
            to={kept(node.path)}
            aria-current={node.at ? "page" : undefined}
            sx={{
              flex: 1,
              minHeight: 60,
              display: "flex",
              flexDirection: "column",
              alignItems: "center",
              justifyContent: "flex-end",
              pb: 1,
              textDecoration: "none",
              color: node.at ? "var(--bramble)" : "var(--ink)",
              fontWeight: node.at ? 700 : 400,
              fontSize: 14,
              position: "relative",
            }}
          >
            <Box
              sx={{
                position: "absolute",
                top: 4,
                width: 13,
                height: 13,
                borderRadius: "50%",
                border: "2.5px solid var(--bramble)",
                background: node.at ? "var(--bramble)" : "var(--cane)",
              }}
            />
            {node.name}
            {node.Waiting && <node.Waiting corner />}
          </Box>
        ))}
        <More open={open} />
      </Box>
    );
  }
  const top = along[0];
  const path = along.slice(1).reduce(
    (d, node, i) => {
      const before = along[i];
      return before
        ? `${d} C${before.x - 5} ${before.y + step / 2} ${node.x + 5} ${node.y - step / 2} ${node.x} ${node.y}`
        : d;
    },
    `M${(top?.x ?? 16) - 2} 2 L${top?.x ?? 16} ${top?.y ?? 30}`,
  );
  const end = along[along.length - 1];
  return (
    <Box
      component="nav"
      aria-label="Areas"
      className="no-print"
      sx={{
        width: 148,
        flex: "none",
        background: "var(--cane)",
        borderRight: "1px solid var(--rule)",
        minHeight: "100vh",
        position: "sticky",
        top: 0,
        height: "100vh",
        display: "flex",
        flexDirection: "column",
      }}
    >
      <Box
        component={Link}
        to={kept("/")}
        sx={{
          p: "18px 18px 2px",
          fontFamily: headings,
          fontWeight: 600,
          fontSize: 23,
          lineHeight: 1.02,
          color: "var(--bramble)",
          textDecoration: "none",
        }}
      >
        Brambly
        <br />
        Acre
      </Box>
      <Box sx={{ position: "relative", flex: 1, mt: 0.5 }}>
        <svg
          width={44}
          height={step * along.length + 40}
          aria-hidden
          style={{ position: "absolute", left: 10, top: 0 }}
        >
          <path
            d={`${path} q 4 20 -2 34`}
            stroke="var(--bramble)"
            strokeWidth={3.2}
            fill="none"
            strokeLinecap="round"
          />
          {along.slice(0, -1).map((node, i) => (
            <path
              key={node.path}
              d={`M${node.x + (i % 2 ? -1 : 2)} ${node.y + step / 2} l${i % 2 ? -7 : 7} -5`}
              stroke="var(--bramble)"
              strokeWidth={2.2}
              strokeLinecap="round"
            />
          ))}
          {along.map((node) => (
            <circle
              key={node.path}
              cx={node.x}
              cy={node.y}
              r={node.at ? 6.5 : 4.5}
              fill={node.at ? "var(--bramble)" : "var(--cane)"}
              stroke="var(--bramble)"
              strokeWidth={2.6}
            />
          ))}
          {end && <circle cx={end.x} cy={end.y + 34} r={0} />}
        </svg>
        {along.map((node) => (
          <Box
            key={node.path}
            component={Link}
            to={kept(node.path)}
            aria-current={node.at ? "page" : undefined}
            sx={{
              position: "absolute",
              left: 8,
              right: 6,
              top: node.y - 19,
              height: 38,
              pl: "40px",
              display: "flex",
              alignItems: "center",
              gap: 1,
              textDecoration: "none",
              color: node.at ? "var(--bramble)" : "var(--ink)",
              fontWeight: node.at ? 700 : 400,
              fontSize: 16.5,
            }}
          >
            {node.name}
            {node.Waiting && <node.Waiting />}
          </Box>
        ))}
      </Box>
      <Box sx={{ p: "0 14px 16px 18px", fontSize: 14, lineHeight: 1.35 }}>
        <Box sx={{ color: "text.secondary", mb: 0.5 }}>{site?.name}</Box>
        {foot.map((node) => (
          <Box
            key={node.path}
            component={Link}
            to={kept(node.path)}
            aria-current={isAt(node, pathname) ? "page" : undefined}
            sx={{ color: "var(--ink)", display: "block", py: 1 }}
          >
            {node.name}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** More is what a narrow cane has no room for: finding, the keys, the settings. */
function More({ open }: { open: { help: () => void; find: () => void } }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Box
        component="button"
        type="button"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event: MouseEvent<HTMLElement>) => setAnchor(event.currentTarget)}
        sx={{
          flex: 1,
          minHeight: 60,
          display: "flex",
          flexDirection: "column",
          alignItems: "center",
          justifyContent: "flex-end",
          pb: 1,
          border: 0,
          background: "none",
          font: "inherit",
          fontSize: 14,
          color: "var(--ink)",
          position: "relative",
        }}
      >
        More
      </Box>
      {anchor && (
        <Boundary at="more" instead={null}>
          <Suspense>
            <MoreMenu anchor={anchor} onClose={() => setAnchor(null)} open={open} />
          </Suspense>
        </Boundary>
      )}
    </>
  );
}
