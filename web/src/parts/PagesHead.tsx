import { Box, Typography } from "@mui/material";
import type { ReactNode } from "react";
import { Link, useLocation } from "react-router";

/** A page of an area: its address and its name. */
export type Page = readonly [path: string, name: string];

interface Props {
  title: string;
  words?: ReactNode;
  children?: ReactNode;
  /** The pages of the area, its first one first, and what they are called together. */
  pages: readonly Page[];
  label: string;
}

/** PagesHead is the top of every page of an area that has several: its name, its words, its acts, and the way to the others. */
export function PagesHead({ title, words, children, pages, label }: Props) {
  const { pathname } = useLocation();
  return (
    <>
      <Box sx={{ display: "flex", columnGap: 2, rowGap: 0.5, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h1">{title}</Typography>
        <Box sx={{ color: "text.secondary", flex: "1 1 260px", minWidth: 0 }}>{words}</Box>
        <Box className="no-print" sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
          {children}
        </Box>
      </Box>
      <Box
        component="nav"
        aria-label={label}
        className="no-print"
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          borderBottom: "1px solid var(--rule)",
          mt: 0.5,
          mb: 1.5,
        }}
      >
        {pages.map(([path, name]) => {
          const here = pathname === path || (path !== pages[0]?.[0] && pathname.startsWith(`${path}/`));
          return (
            <Box
              key={path}
              component={Link}
              to={path}
              aria-current={here ? "page" : undefined}
              sx={{
                color: here ? "var(--ink)" : "var(--bramble)",
                fontWeight: here ? 700 : 400,
                textDecoration: "none",
                lineHeight: { xs: "44px", md: "32px" },
                borderBottom: `3px solid ${here ? "var(--bramble)" : "transparent"}`,
                "&:hover": { textDecoration: "underline" },
              }}
            >
              {name}
            </Box>
          );
        })}
      </Box>
    </>
  );
}
