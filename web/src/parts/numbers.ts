/** typedNumber reads a typed number; nothing typed is no number, never 0, so that the server can say so. */
export const typedNumber = (text: string) => (text.trim() === "" ? NaN : Number(text.replace(",", ".")));
