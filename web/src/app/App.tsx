import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { lazy, useEffect } from "react";
import { BrowserRouter, Outlet, Route, Routes } from "react-router";

import { Now } from "../areas/now/Now";
import { ActsProvider } from "./acts";
import { LookProvider } from "./LookProvider";
import { Shell } from "./Shell";
import { UndoProvider } from "./Undo";

/** The areas' code: fetched when one is opened, or else as soon as the first screen stands. */
const fetched = {
  plot: () => import("../areas/plot/Plot"),
  round: () => import("../areas/round/Round"),
  planting: () => import("../areas/planting/Planting"),
  gather: () => import("../areas/gather/Gather"),
  plants: () => import("../areas/plants/Plants"),
  plant: () => import("../areas/plants/Plant"),
  compare: () => import("../areas/plants/Compare"),
  ownPlant: () => import("../areas/plants/OwnPlant"),
  check: () => import("../areas/check/Check"),
  what: () => import("../areas/check/What"),
  characters: () => import("../areas/check/Characters"),
  practice: () => import("../areas/practice/Practice"),
  specimen: () => import("../areas/practice/Specimen"),
  ledger: () => import("../areas/ledger/Ledger"),
  settings: () => import("../areas/settings/Settings"),
};

const Plot = lazy(() => fetched.plot().then((m) => ({ default: m.Plot })));
const Round = lazy(() => fetched.round().then((m) => ({ default: m.Round })));
const Planting = lazy(() => fetched.planting().then((m) => ({ default: m.Planting })));
const Gather = lazy(() => fetched.gather().then((m) => ({ default: m.Gather })));
const Plants = lazy(() => fetched.plants().then((m) => ({ default: m.Plants })));
const Plant = lazy(() => fetched.plant().then((m) => ({ default: m.Plant })));
const Compare = lazy(() => fetched.compare().then((m) => ({ default: m.Compare })));
const OwnPlant = lazy(() => fetched.ownPlant().then((m) => ({ default: m.OwnPlant })));
const Check = lazy(() => fetched.check().then((m) => ({ default: m.Check })));
const FindCheck = lazy(() => fetched.check().then((m) => ({ default: m.FindCheck })));
const What = lazy(() => fetched.what().then((m) => ({ default: m.What })));
const Characters = lazy(() => fetched.characters().then((m) => ({ default: m.Characters })));
const Practice = lazy(() => fetched.practice().then((m) => ({ default: m.Practice })));
const Specimen = lazy(() => fetched.specimen().then((m) => ({ default: m.Specimen })));
const Ledger = lazy(() => fetched.ledger().then((m) => ({ default: m.Ledger })));
const Settings = lazy(() => fetched.settings().then((m) => ({ default: m.Settings })));

const client = new QueryClient({
  // The server is on this machine or this network: what it says holds until something changes.
  defaultOptions: {
    queries: { staleTime: 60_000, retry: 1, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

function WithActs() {
  return (
    <UndoProvider>
      <ActsProvider>
        <Outlet />
      </ActsProvider>
    </UndoProvider>
  );
}

/** Out on the round there may be no network: what may be opened there is fetched before. */
const fetchAfterMs = 1500;

function useFetchAhead() {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const area of Object.values(fetched)) area().catch(() => undefined); // asked for again when opened
    }, fetchAfterMs);
    return () => clearTimeout(timer);
  }, []);
}

export function App() {
  useFetchAhead();
  return (
    <LookProvider>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <Routes>
            <Route element={<WithActs />}>
              <Route element={<Shell />}>
                <Route index element={<Now />} />
                <Route path="plot" element={<Plot />} />
                <Route path="round" element={<Round />} />
                <Route path="plantings/:id" element={<Planting />} />
                <Route path="plantings/:id/check" element={<Check />} />
                <Route path="finds/:id/check" element={<FindCheck />} />
                <Route path="what" element={<What />} />
                <Route path="characters" element={<Characters />} />
                <Route path="practice" element={<Practice />} />
                <Route path="practice/:species/:other" element={<Specimen />} />
                <Route path="gather" element={<Gather />} />
                <Route path="plants" element={<Plants />} />
                <Route path="plants/compare/:ids" element={<Compare />} />
                <Route path="plants/own/:id?" element={<OwnPlant />} />
                <Route path="plants/:id" element={<Plant />} />
                <Route path="ledger" element={<Ledger />} />
                <Route path="settings" element={<Settings />} />
                <Route path="*" element={<p>There is no such page. The cane on the side leads back.</p>} />
              </Route>
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </LookProvider>
  );
}
