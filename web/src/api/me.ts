import { answerOf, api } from "./client";
import { rememberMe } from "./device";

/** learnMe asks the plot who this device is there, and remembers it: what is noted here is theirs. */
export const learnMe = () => answerOf(api.GET("/api/this-device")).then(rememberMe, () => undefined);
