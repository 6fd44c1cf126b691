import { crc32, deflateSync } from 'node:zlib';

function chunk(type: string, data: Buffer): Buffer {
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  const body = Buffer.concat([Buffer.from(type, 'ascii'), data]);
  const sum = Buffer.alloc(4);
  sum.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, sum]);
}

/**
 * A gray PNG, drawn pixel by pixel: the demo's stand-in for a photograph.
 * @param shade of a pixel, 0 black to 255 white
 */
export function drawnPicture(width: number, height: number, shade: (x: number, y: number) => number): Buffer {
  const rows = Buffer.alloc((width + 1) * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows[y * (width + 1) + 1 + x] = Math.max(0, Math.min(255, Math.round(shade(x, y))));
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 0, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

/** Round bars of a concave, worn down by so much (0 new to 1 gone). */
export function drawnConcave(worn: number): Buffer {
  return drawnPicture(480, 320, (x, y) => {
    const bar = Math.abs((x % 48) - 24) / 24;
    const cross = y % 80 < 14 ? 40 : 0;
    // Worn bars are thinner where the crop enters.
    const thick = 0.62 - 0.3 * worn * (1 - y / 320);
    return (bar < thick ? 200 - 150 * (bar / thick) ** 2 : 38) - cross + ((x * 7 + y * 13) % 11);
  });
}
