import { Box } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import { Trouble } from "../../parts/Trouble";
import { Head } from "./Head";

/** A part that others made, as the build found it. */
interface Notice {
  name: string;
  version: string;
  licence: string;
  text: string;
}

/** Notices are the fonts and libraries that ship with the program, each with its licence: made when it is built. */
export function Notices() {
  const { data, error } = useQuery({
    queryKey: ["notices"],
    queryFn: async (): Promise<Notice[]> => {
      const answer = await fetch("/notices.json");
      if (!answer.ok) throw new Error("The notices are not there: the program was built without them.");
      return (await answer.json()) as Notice[];
    },
    staleTime: Infinity,
  });
  return (
    <>
      <Head
        title="What it is made of"
        words={data && `${data.length} fonts and libraries that others made, with their licences`}
      />
      {error && <Trouble reason={error} />}
      <Box sx={{ maxWidth: 860, minHeight: 500 }}>
        {data?.map((notice) => (
          <Box
            key={`${notice.name} ${notice.version}`}
            component="details"
            sx={{
              borderBottom: "1px dotted var(--rule)",
              "& summary": { py: 0.8, cursor: "pointer", overflowWrap: "anywhere" },
            }}
          >
            <summary>
              <b>{notice.name}</b> {notice.version}
              <Box component="span" sx={{ color: "text.secondary" }}>
                {" "}
                {notice.licence}
              </Box>
            </summary>
            <Box
              component="pre"
              tabIndex={0}
              sx={{ fontSize: 13, whiteSpace: "pre-wrap", overflowWrap: "anywhere", m: 0, pb: 1.5 }}
            >
              {notice.text}
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}
