import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import type { Schemas } from "../../api/client";
import { Reckoning } from "../../parts/Reckoning";
import { useKept } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { Unseen } from "../../parts/Unseen";
import { AddressDialog } from "./AddressDialog";
import { BuyDialog } from "./BuyDialog";
import { FillDialog } from "./FillDialog";
import { Head } from "./Head";
import { JarPanel } from "./JarPanel";
import { JarPicture } from "./JarPicture";
import { LabelDialog } from "./LabelDialog";
import { FinishDialog } from "./FinishDialog";
import { ShelfDialog } from "./ShelfDialog";
import { useStore } from "./queries";

type Jar = Schemas["JarBrief"];
type Line = Schemas["LotLine"];

/** Shelves is the store: jars on their shelves as full as they are, each with the day on which it is used up. */
export function Shelves() {
  const { data: store, error } = useStore();
  const [params, setParams] = useSearchParams();
  const [asked, setAsked] = useState<"buy" | "shelf" | "labels" | "address">();
  const [shelf, setShelf] = useState<Schemas["StoreShelf"]>();
  const [fill, setFill] = useState<Line>();
  const [finish, setFinish] = useState<Line>();
  const kept = useKept();
  if (error) return <Trouble reason={error} />;
  if (!store) return <Reckoning />;
  const jars = store.shelves.flatMap((one) => one.jars);
  const chosen = Number(params.get("jar")) || jars[0]?.id || 0;
  const choose = (id: number) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        next.set("jar", String(id));
        return next;
      },
      { replace: true },
    );
  return (
    <>
      <Head title="Store" words={jars.length > 0 ? store.words : undefined}>
        <Button variant="outlined" onClick={() => setAsked("buy")}>
          Bought
        </Button>
        <Button onClick={() => setAsked("labels")} disabled={jars.length === 0}>
          Labels
        </Button>
        <Button onClick={() => setAsked("shelf")}>Put up a shelf</Button>
      </Head>
      {jars.length === 0 && store.loose.length === 0 && store.underWay.length === 0 && (
        <Box sx={{ maxWidth: 640, mb: 2 }}>
          Nothing is in the store yet. Lay what was picked and sorted in the{" "}
          <Link to={kept("/store/drier")}>drier</Link>, <Link to={kept("/store/make")}>make</Link> something
          of it, or note what you bought: each jar then stands here with the day on which it is used up.
        </Box>
      )}
      <Waits store={store} onFill={setFill} onFinish={setFinish} />
      <Box sx={{ display: "flex", gap: 3, alignItems: "flex-start", flexWrap: { xs: "wrap", lg: "nowrap" } }}>
        <Box sx={{ flex: "1 1 560px", minWidth: 0 }}>
          {store.shelves.map((one) => (
            <Shelf
              key={one.id}
              shelf={one}
              chosen={chosen}
              onChoose={choose}
              onChange={() => setShelf(one)}
            />
          ))}
          <Seeds seeds={store.seeds} />
          <Box sx={{ fontSize: 14, color: "text.secondary" }}>
            Labels lead to {store.address || "the address that this page was opened at"}.{" "}
            <Button size="small" onClick={() => setAsked("address")}>
              Change it
            </Button>
          </Box>
        </Box>
        {chosen > 0 && (
          <Box sx={{ flex: { xs: "1 1 100%", lg: "0 0 372px" }, minWidth: 0 }}>
            <JarPanel id={chosen} shelves={store.shelves} />
          </Box>
        )}
      </Box>
      {asked === "buy" && <BuyDialog shelves={store.shelves} onClose={() => setAsked(undefined)} />}
      {asked === "labels" && <LabelDialog store={store} onClose={() => setAsked(undefined)} />}
      {asked === "shelf" && <ShelfDialog onClose={() => setAsked(undefined)} />}
      {asked === "address" && <AddressDialog address={store.address} onClose={() => setAsked(undefined)} />}
      {shelf && <ShelfDialog shelf={shelf} onClose={() => setShelf(undefined)} />}
      {fill && <FillDialog lot={fill} store={store} onClose={() => setFill(undefined)} />}
      {finish && <FinishDialog lot={finish} onClose={() => setFinish(undefined)} />}
    </>
  );
}

/** Waits is what is not on a shelf yet: what stands, what is not in a jar, what is held back. */
function Waits({
  store,
  onFill,
  onFinish,
}: {
  store: Schemas["StoreView"];
  onFill: (lot: Line) => void;
  onFinish: (lot: Line) => void;
}) {
  const kept = useKept();
  const standing = store.underWay.filter((lot) => lot.making !== "dried");
  const drying = store.underWay.length - standing.length;
  const line = { display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", py: 0.2 } as const;
  return (
    <Box sx={{ mb: 1 }}>
      {store.held.length > 0 && (
        <Box sx={{ ...line, color: "var(--forbid)", fontWeight: 700 }}>
          Held back: {store.held.map((one) => one.words).join("; ")}.{" "}
          <Link to={kept("/store/held")} style={{ color: "inherit" }}>
            What to do
          </Link>
        </Box>
      )}
      {store.loose.map((lot) => (
        <Box key={lot.id} sx={line}>
          <Link to={kept(`/store/lots/${lot.id}`)} style={{ color: "inherit", fontWeight: 700 }}>
            {lot.name}
          </Link>
          <span>{lot.words}</span>
          {lot.held ? (
            <span style={{ color: "var(--forbid)" }}>{lot.held}</span>
          ) : (
            <Button
              size="small"
              variant="contained"
              aria-label={`Into a jar: fill ${lot.name}`}
              onClick={() => onFill(lot)}
            >
              Into a jar
            </Button>
          )}
        </Box>
      ))}
      {standing.map((lot) => (
        <Box key={lot.id} sx={line}>
          <Link to={kept(`/store/lots/${lot.id}`)} style={{ color: "inherit", fontWeight: 700 }}>
            {lot.name}
          </Link>
          <span>
            {lot.words}, {lot.ready}
          </span>
          {lot.held && <span style={{ color: "var(--forbid)" }}>{lot.held}</span>}
          <Button
            size="small"
            variant={lot.due ? "contained" : "outlined"}
            aria-label={`${lot.due ? "Strain" : "Finish"} it: ${lot.name}`}
            onClick={() => onFinish(lot)}
          >
            {lot.due ? "Strain it" : "Finish it"}
          </Button>
        </Box>
      ))}
      {(drying > 0 || store.baskets > 0) && (
        <Box sx={line}>
          {[
            drying > 0 ? `${drying} ${drying === 1 ? "lot dries" : "lots dry"}` : "",
            store.baskets > 0
              ? `${store.baskets} ${store.baskets === 1 ? "basket waits" : "baskets wait"}`
              : "",
          ]
            .filter(Boolean)
            .join(", ")}
          . <Link to={kept("/store/drier")}>To the drier</Link>
        </Box>
      )}
    </Box>
  );
}

function Shelf({
  shelf,
  chosen,
  onChoose,
  onChange,
}: {
  shelf: Schemas["StoreShelf"];
  chosen: number;
  onChoose: (id: number) => void;
  onChange: () => void;
}) {
  return (
    <Box component="section" aria-label={shelf.name} sx={{ mb: 2.5 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h2" sx={{ fontSize: 18 }}>
          {shelf.name}
        </Typography>
        {shelf.id > 0 && (
          <Button size="small" aria-label={`Change the shelf ${shelf.name}`} onClick={onChange}>
            Change
          </Button>
        )}
      </Box>
      {shelf.jars.length === 0 && (
        <Box sx={{ color: "text.secondary", fontSize: 14 }}>Nothing stands on it.</Box>
      )}
      <Box
        component="ul"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(104px, 1fr))",
          rowGap: 1,
        }}
      >
        {shelf.jars.map((jar) => (
          <Box component="li" key={jar.id} sx={{ minWidth: 0 }}>
            <OneJar jar={jar} chosen={jar.id === chosen} onChoose={() => onChoose(jar.id)} />
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function OneJar({ jar, chosen, onChoose }: { jar: Jar; chosen: boolean; onChoose: () => void }) {
  const foot = jar.held ? "held" : jar.foot;
  const warns = jar.held !== "" || jar.past;
  return (
    <Box
      component="button"
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        all: "unset",
        boxSizing: "border-box",
        cursor: "pointer",
        width: 1,
        height: 1,
        display: "flex",
        flexDirection: "column",
        alignItems: "center",
        justifyContent: "flex-end",
        position: "relative",
        background: chosen ? "var(--brambleWash)" : "none",
        outline: chosen ? "2px solid var(--bramble)" : "none",
        outlineOffset: "-2px",
        "&:focus-visible": { outline: "3px solid var(--focus)" },
      }}
    >
      <Box sx={{ minHeight: 18, fontSize: 13, fontWeight: 700, color: "var(--clay)", pt: 0.4 }}>
        {jar.gap}
      </Box>
      <JarPicture
        vessel={jar.vessel}
        making={jar.making}
        dries={jar.dries}
        full={jar.full}
        seed={jar.id}
        held={jar.held !== ""}
        bought={jar.bought}
        opened={jar.opened !== ""}
        width={76 * jar.size}
      />
      <Box
        sx={{
          width: 1,
          background: "var(--soil)",
          borderTop: "2px solid var(--ink)",
          borderBottom: "1px solid var(--ink)",
          textAlign: "center",
          px: 0.4,
          pb: 0.5,
          color: "var(--ink)",
          lineHeight: 1.2,
          minHeight: 58,
        }}
      >
        <Box
          sx={{
            fontSize: 13.5,
            minHeight: 33,
            display: "flex",
            alignItems: "center",
            justifyContent: "center",
          }}
        >
          {jar.name}
        </Box>
        <Box
          sx={{
            fontSize: 14,
            fontWeight: 700,
            textDecoration: warns || jar.soon ? "underline" : "none",
            textDecorationStyle: warns ? "double" : "solid",
          }}
        >
          {foot}
        </Box>
        <Unseen>
          {`, ${jar.amount}, ${jar.held ? `held back: ${jar.held}` : jar.out}${jar.bought ? ", bought" : ""}${jar.past ? `, ${jar.keeps}` : ""}`}
        </Unseen>
      </Box>
    </Box>
  );
}

/** Seeds are the lots of seed that are kept to sow: the same as on the bench. */
function Seeds({ seeds }: { seeds: Schemas["SeedLine"][] }) {
  const kept = useKept();
  const [open, setOpen] = useState(false);
  if (seeds.length === 0) return null;
  const few = 3;
  return (
    <Box component="section" aria-label="Seed kept to sow" sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography variant="h2" sx={{ fontSize: 18 }}>
          Seed kept to sow
        </Typography>
        <Link to={kept("/bench/seeds")}>On the bench</Link>
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 2.2, columns: { md: 2 }, fontSize: 14.5 }}>
        {(open ? seeds : seeds.slice(0, 2 * few)).map((seed) => (
          <li key={seed.id}>
            <b>{seed.name}</b> {seed.words}
          </li>
        ))}
      </Box>
      {seeds.length > 2 * few && (
        <Button size="small" onClick={() => setOpen(!open)}>
          {open ? "Fewer" : `All ${seeds.length}`}
        </Button>
      )}
    </Box>
  );
}
