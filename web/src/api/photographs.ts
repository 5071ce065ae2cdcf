import { plotShown, Refusal, Unreachable, type Problem } from "./client";
import { thisDevice } from "./device";
import { getPhotograph, putPhotograph } from "./deviceStore";
import { answerFetch } from "./stored";
import { newKey } from "./client";

/** What the id of a photograph begins with that waits on this device. */
const waiting = "waits-";

export const isWaiting = (id: string) => id.startsWith(waiting);

/** sendPhotograph has the plot keep a picture, and returns what it is called there. */
async function sendPhotograph(picture: Blob): Promise<string> {
  let reply: Response;
  try {
    reply = await answerFetch(
      new Request("/api/photographs", {
        method: "POST",
        headers: {
          "Content-Type": "application/octet-stream",
          "Acre-Plot": plotShown(),
          "Acre-Device": thisDevice(),
        },
        body: picture,
      }),
    );
  } catch {
    throw new Unreachable();
  }
  if (!reply.ok) throw new Refusal({ status: reply.status, ...((await reply.json()) as Problem) });
  return ((await reply.json()) as { id: string }).id;
}

/** keepPhotograph has the plot keep a picture, or this device where the plot cannot be reached. It returns its id. */
export async function keepPhotograph(picture: Blob): Promise<string> {
  try {
    return await sendPhotograph(picture);
  } catch (reason) {
    if (!(reason instanceof Unreachable)) throw reason;
    const id = waiting + newKey();
    await putPhotograph({ id, plot: plotShown(), picture, taken: Date.now() });
    return id;
  }
}

/** sentPhotographs sends those that wait on this device, and returns what all are called at the plot. */
export async function sentPhotographs(ids: string[]): Promise<string[]> {
  const sent: string[] = [];
  for (const id of ids) {
    if (!isWaiting(id)) {
      sent.push(id);
      continue;
    }
    const kept = await getPhotograph(id);
    if (!kept) continue; // thrown away by hand
    sent.push(await sendPhotograph(kept.picture));
  }
  return [...new Set(sent)];
}

/** pictureOf is where a photograph is shown from. */
export async function pictureOf(id: string): Promise<string> {
  if (!isWaiting(id)) return `/api/photographs/${id}/small`;
  const kept = await getPhotograph(id);
  return kept ? URL.createObjectURL(kept.picture) : "";
}
