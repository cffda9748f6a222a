import { writeFileSync } from "node:fs";
import QRCode from "qrcode";

const WIDTH = 640;
const HEIGHT = 480;
const MODULE_PIXELS = 8;

/** Writes what a camera sees of a printed code held up to it, as an uncompressed film (YUV4MPEG2) that Chromium plays as its camera. */
export function filmOfCard(file: string, text: string): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const left = Math.floor((WIDTH - modules.size * MODULE_PIXELS) / 2);
  const top = Math.floor((HEIGHT - modules.size * MODULE_PIXELS) / 2);
  const brightness = Buffer.alloc(WIDTH * HEIGHT, 235);
  for (let y = 0; y < modules.size * MODULE_PIXELS; y++)
    for (let x = 0; x < modules.size * MODULE_PIXELS; x++)
      if (modules.get(Math.floor(y / MODULE_PIXELS), Math.floor(x / MODULE_PIXELS)))
        brightness[(top + y) * WIDTH + left + x] = 16;
  const grey = Buffer.alloc((WIDTH * HEIGHT) / 2, 128);
  const frame = Buffer.concat([Buffer.from("FRAME\n"), brightness, grey]);
  const head = Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`);
  writeFileSync(file, Buffer.concat([head, ...Array<Buffer>(5).fill(frame)]));
}
