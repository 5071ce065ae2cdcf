import { useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

export const sharingKey = ["sharing"];

/** How often it is looked whether a device came in. */
const pollMs = 4000;

/** useSharing is how the plot is shared in the house; while a code is shown it is asked again and again. */
export const useSharing = (watching: boolean) =>
  useQuery({
    queryKey: sharingKey,
    queryFn: () => answerOf(api.GET("/api/sharing")),
    refetchInterval: watching ? pollMs : false,
    staleTime: 0,
  });

export const useThisDevice = () =>
  useQuery({ queryKey: ["this device"], queryFn: () => answerOf(api.GET("/api/this-device")) });
