import { queryOptions } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

/** troubleQuery is a sign of trouble, on one planting or on any. */
export const troubleQuery = (mark: string, planting?: number) =>
  queryOptions({
    queryKey: ["trouble", mark, planting],
    queryFn: () =>
      answerOf(api.GET("/api/troubles/{mark}", { params: { path: { mark }, query: { planting } } })),
  });
