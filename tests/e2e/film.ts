import { PNG } from 'pngjs';

/** A grey picture of a label that lies askew on a bench, as a hand photographs it. */
export function askew(label: Buffer, degrees: number, width = 1280, height = 720): PNG {
  const from = PNG.sync.read(label);
  const picture = new PNG({ width, height });
  const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
  const scale = Math.max(from.width / (width * 0.8), from.height / (height * 0.8));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [(x - width / 2) * scale, (y - height / 2) * scale];
      const [u, v] = [Math.round(from.width / 2 + dx * cos + dy * sin), Math.round(from.height / 2 - dx * sin + dy * cos)];
      const onLabel = u >= 0 && v >= 0 && u < from.width && v < from.height;
      // Wood round it, paper that is not quite white, and light that falls off to one side.
      const grey = (onLabel ? from.data[(v * from.width + u) * 4]! * 0.8 : 90 + ((x * 7 + y * 3) % 17)) * (0.75 + (0.25 * x) / width);
      picture.data.set([grey, grey, grey, 255], (y * width + x) * 4);
    }
  }
  return picture;
}

/** A film that shows one picture, as Chromium's stand-in for a camera takes it (YUV4MPEG2). */
export function filmOf({ width, height, data }: PNG): Buffer {
  const luma = Buffer.alloc(width * height);
  for (let i = 0; i < luma.length; i++) luma[i] = 16 + Math.round((data[i * 4]! * 219) / 255);
  const frame = Buffer.concat([Buffer.from('FRAME\n'), luma, Buffer.alloc((width * height) / 2, 128)]);
  return Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`), frame, frame]);
}
