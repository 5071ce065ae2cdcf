/** How what is in a jar looks: its ground and its pieces. */
export interface Look {
  ground: string;
  piece: string;
  shape: "leaf" | "flower" | "seed" | "chunk" | "fine" | "liquid";
}

const mixed = (a: string, share: number, b: string) => `color-mix(in srgb, var(${a}) ${share}%, var(${b}))`;

const leaf: Look = {
  ground: mixed("--leaf", 62, "--straw"),
  piece: mixed("--leaf", 82, "--ink"),
  shape: "leaf",
};

/** What is dried, by how it dries. */
const dried: Record<string, Look> = {
  "thin leaf": leaf,
  "thick leaf": leaf,
  flower: { ground: mixed("--straw", 42, "--card"), piece: mixed("--straw", 78, "--clay"), shape: "flower" },
  seed: { ground: mixed("--clay", 40, "--soil"), piece: mixed("--clay", 60, "--ink"), shape: "seed" },
  root: { ground: mixed("--soil", 80, "--clay"), piece: mixed("--clay", 55, "--soil"), shape: "chunk" },
  bark: { ground: mixed("--clay", 45, "--soil"), piece: mixed("--clay", 70, "--ink"), shape: "chunk" },
  fruit: { ground: mixed("--bramble", 55, "--ink"), piece: mixed("--bramble", 80, "--card"), shape: "seed" },
};

const made: Record<string, Look> = {
  oil: { ground: mixed("--straw", 70, "--leaf"), piece: "var(--card)", shape: "liquid" },
  vinegar: { ground: mixed("--straw", 55, "--card"), piece: "var(--card)", shape: "liquid" },
  spirit: { ground: mixed("--clay", 60, "--ink"), piece: "var(--card)", shape: "liquid" },
  syrup: { ground: mixed("--bramble", 60, "--clay"), piece: "var(--card)", shape: "liquid" },
  honey: { ground: mixed("--straw", 80, "--clay"), piece: "var(--card)", shape: "liquid" },
  salve: { ground: mixed("--straw", 40, "--card"), piece: "var(--card)", shape: "fine" },
  flour: { ground: mixed("--straw", 30, "--card"), piece: mixed("--straw", 60, "--clay"), shape: "fine" },
  powder: { ground: mixed("--leaf", 45, "--straw"), piece: mixed("--leaf", 70, "--ink"), shape: "fine" },
  frozen: { ground: mixed("--leaf", 55, "--frost"), piece: "var(--frost)", shape: "leaf" },
  mix: { ground: mixed("--leaf", 40, "--straw"), piece: mixed("--bramble", 45, "--straw"), shape: "flower" },
};

export const lookOf = (making: string, dries: string): Look => made[making] ?? dried[dries] ?? leaf;

/** spread places pieces evenly without any order: the same every time. */
export function spread(count: number, seed: number): { x: number; y: number; turn: number }[] {
  let state = (seed * 2654435761) >>> 0 || 1;
  const next = () => {
    state ^= state << 13;
    state >>>= 0;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return state / 4294967296;
  };
  return Array.from({ length: count }, (_, i) => ({
    x: next(),
    y: (i + next()) / count,
    turn: Math.round(next() * 180),
  }));
}
