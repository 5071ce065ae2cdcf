import { Alert, Box, LinearProgress } from "@mui/material";
import { Suspense, useLayoutEffect, useMemo, useRef, useState } from "react";
import { Link, matchPath, Outlet, useLocation } from "react-router";

import { useIsOut } from "../api/device";
import { useSite } from "../api/queries";
import { Boundary } from "../parts/Boundary";
import { fullDay } from "../parts/dates";
import { fetchedAhead } from "../parts/ahead";
import { NotOpenedDialog } from "../parts/NotOpenedDialog";
import { Ribbon } from "../parts/Ribbon";
import { LikenessProvider } from "../parts/likeness/LikenessProvider";
import { SprigSheet } from "../parts/Sprig";
import { Trouble } from "../parts/Trouble";
import { screens } from "./areas";
import { AsOf } from "./AsOf";
import { Cane } from "./Cane";
import { PutOut } from "./PutOut";
import { useAtHome } from "./useAtHome";
import { useFocusOn } from "./useFocusOn";
import { useKeys } from "./keys";
import { NotOpened } from "./NotOpened";
import { useSendWaiting } from "./useSendWaiting";

const KeysDialog = fetchedAhead(() => import("./KeysDialog").then((code) => code.KeysDialog));
const FindDialog = fetchedAhead(() => import("./FindDialog").then((code) => code.FindDialog));

/** Shell is what surrounds every screen: the cane, the ribbon, the keys. */
export function Shell() {
  // What is kept on this device is a plot's own: no screen stands before it is known which.
  const site = useSite();
  const { pathname } = useLocation();
  const [help, setHelp] = useState(false);
  const [find, setFind] = useState(false);
  const open = useMemo(() => ({ help: () => setHelp(true), find: () => setFind(true) }), []);
  const leave = () => {
    setHelp(false);
    setFind(false);
  };
  useKeys(open);
  useSendWaiting();
  useAtHome();
  const isOut = useIsOut();
  const screen = screens.find((one) => matchPath(one.path, pathname));
  const main = useRef<HTMLElement>(null);
  useFocusOn(main, pathname);
  useLayoutEffect(() => {
    document.title = `${screen?.title ?? "No such page"} · Brambly Acre`;
  }, [screen, pathname]);
  if (isOut) return <PutOut />;
  return (
    <Box sx={{ display: "flex", minHeight: "100vh", color: "var(--ink)" }}>
      <a className="skip" href="#page" onClick={() => main.current?.focus()}>
        To the page
      </a>
      <SprigSheet />
      <Cane open={open} />
      <Box className="beside-the-cane" sx={{ flex: 1, minWidth: 0, pb: { xs: 18, md: 8 } }}>
        <AsOf />
        <SampleNote />
        {site.data?.damage && (
          <Alert severity="error" sx={{ borderRadius: 0, overflowWrap: "anywhere" }}>
            {site.data.damage}
          </Alert>
        )}
        {screen?.days && <Ribbon />}
        <Box
          component="main"
          id="page"
          ref={main}
          tabIndex={-1}
          sx={{ outline: "none", scrollMarginTop: 8, px: { xs: 1.75, md: 2.5 }, pt: { xs: 1.5, md: 2 } }}
        >
          <Boundary at={pathname} instead={<NotOpened />}>
            {site.data ? (
              <LikenessProvider>
                <Suspense fallback={<LinearProgress aria-label="Opening" />}>
                  <Outlet context={open} />
                </Suspense>
              </LikenessProvider>
            ) : (
              site.error && <Trouble reason={site.error} />
            )}
          </Boundary>
        </Box>
      </Box>
      <Boundary at={`${help} ${find}`} instead={<NotOpenedDialog onClose={leave} />}>
        <Suspense>
          {help && <KeysDialog onClose={leave} />}
          {find && <FindDialog onClose={leave} />}
        </Suspense>
      </Boundary>
    </Box>
  );
}

/** SampleNote says on every screen what is not the grower's own. */
function SampleNote() {
  const site = useSite().data;
  const { pathname } = useLocation();
  if (!site) return null;
  if (!site.placed)
    return pathname === "/begin" ? null : (
      <Alert severity="warning" sx={{ borderRadius: 0 }} className="no-print">
        Nobody has said where this plot lies: no day, light or frost here is its own.{" "}
        <Link to="/begin">Say where it lies</Link>
      </Alert>
    );
  if (!site.sample && !site.pinned) return null;
  return (
    <Box
      component="aside"
      aria-label="What is not the grower's own"
      className="no-print"
      sx={{
        background: "var(--ink)",
        color: "var(--paper)",
        fontSize: 13,
        lineHeight: "22px",
        px: { xs: 1.75, md: 2.5 },
        whiteSpace: "nowrap",
        overflow: "hidden",
        textOverflow: "ellipsis",
      }}
    >
      {site.sample ? "Sample plot. " : ""}Today is fixed to {fullDay(site.today)}.
      {site.weatherSimulated ? " Weather is simulated." : ""}
    </Box>
  );
}
