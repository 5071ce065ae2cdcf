// Packs what was built as tightly as it can be, once: the server sends it as it lies. Fonts and pictures are packed already.
import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";

const packable = /\.(js|css|svg|json|webmanifest)$/;
/** Smaller files fit one packet of the network as they are. */
const leastBytes = 1000;

function pack(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) {
      pack(path);
      continue;
    }
    const content = readFileSync(path);
    if (!packable.test(name) || content.length < leastBytes) continue;
    writeFileSync(
      `${path}.br`,
      brotliCompressSync(content, {
        params: {
          [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
          [constants.BROTLI_PARAM_SIZE_HINT]: content.length,
        },
      }),
    );
    writeFileSync(`${path}.gz`, gzipSync(content, { level: 9 }));
  }
}

pack("dist");
