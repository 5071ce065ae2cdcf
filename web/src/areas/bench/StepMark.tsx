/** The steps of a batch, each with a drawing of its own that fills a tray: none is told by colour alone. */
const drawings: Record<string, React.ReactNode> = {
  warm: <path d="M4 13 q3 -4 0 -8 M11 13 q3 -4 0 -8" fill="none" stroke="var(--clay)" strokeWidth={1.4} />,
  cold: <path d="M8 4 v8 M4.5 6 l7 4 M11.5 6 l-7 4" fill="none" stroke="var(--water)" strokeWidth={1.3} />,
  rise: <path d="M8 15 v-5 q0 -3 3 -2" fill="none" stroke="var(--leaf)" strokeWidth={1.6} />,
  root: (
    <path d="M8 4 v6 m0 0 l-3 5 m3 -5 l3 5 m-3 -5 v5" fill="none" stroke="var(--clay)" strokeWidth={1.3} />
  ),
  grow: (
    <path
      d="M8 15 v-9 m0 5 q-5 0 -5 -4 q5 0 5 4 q5 0 5 -4 q-5 0 -5 4"
      fill="var(--leaf)"
      stroke="var(--leaf)"
      strokeWidth={1.1}
    />
  ),
  harden: (
    <path
      d="M6 15 q0 -7 4 -11 m-3.2 6 q-4 -1 -4 -4 q4 0 4 4 m2 -3 q4 0 5 -3 q-5 0 -5 3"
      fill="var(--leaf)"
      stroke="var(--leaf)"
      strokeWidth={1.2}
    />
  ),
};

const words: Record<string, string> = {
  warm: "warm rest",
  cold: "cold",
  rise: "coming up",
  root: "rooting",
  grow: "growing on",
  harden: "hardening",
};

function Defs() {
  return (
    <defs>
      {Object.entries(drawings).map(([step, drawing]) => (
        <pattern key={step} id={`bench-${step}`} width={17} height={18} patternUnits="userSpaceOnUse">
          {drawing}
        </pattern>
      ))}
      <pattern
        id="bench-kept"
        width={9}
        height={9}
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0 V9" stroke="var(--straw)" strokeWidth={2} opacity={0.55} />
      </pattern>
    </defs>
  );
}

/** One is a step's drawing by itself, for a list. */
function One({ step }: { step: string }) {
  return (
    <svg width={17} height={18} viewBox="0 0 17 18" aria-hidden style={{ flex: "none" }}>
      {drawings[step]}
    </svg>
  );
}

export const StepMark = { Defs, One, words };
