const marks: Record<string, string> = {
  "": "M2 12q3 -8 6 -2t6 -5",
  behead: "M4 3l9 11M13 3l-9 11M3.5 15a1.6 1.6 0 1 0 .01 0M13.5 15a1.6 1.6 0 1 0 .01 0",
  edge: "M9 2v8M5.5 10h7v3l-3.5 4l-3.5 -4z",
  barrier: "M3 7h12v7h-12zM7 7v7M11 7v7M1 7h16",
  pot: "M3 5h12M4.4 5l1.4 10h6.4l1.4 -10",
  mow: "M5 16L12 3M12 3q5 3 4 8q-4 -4 -8 -3",
  dig: "M9 2v7M5 9h8M5 9v6M9 9v7M13 9v6",
  smother: "M2 9h14v5h-14zM2 9l3 -3h14",
  pull: "M9 16v-7M9 9q-5 0 -5 -4q4 0 5 4q1 -4 5 -4q0 4 -5 4M5 16h8",
  eat: "M6 2v6a2.5 2.5 0 0 0 5 0v-6M8.500 2v14",
  hens: "M3 8l3 6h6l3 -8l-3 2l-3 2zM7 14v3M11 14v3M15 6l2 1",
};

/** WayMark is a way of holding as a small drawing. */
export function WayMark({ way, several = false }: { way: string; several?: boolean }) {
  const d = marks[way.split(":")[0] ?? ""] ?? marks[""];
  return (
    <g aria-hidden>
      <path
        d={d}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.6}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      {several && <path d="M15 1v6M12 4h6" stroke="var(--bramble)" strokeWidth={2} fill="none" />}
    </g>
  );
}
