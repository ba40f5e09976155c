import { whenThere } from '../api/whenThere';

/** Pixels of the longer side that a code is looked for in: a telephone's photograph has five times as many, and no more to tell. */
const longestSide = 1600;

/** Milliseconds that a single photograph may take; the next picture of a film comes by itself. */
const patience = { picture: 1500, film: 40 };

const canvas = document.createElement('canvas');

/** What stands in the code that a picture shows; null where none is seen. */
async function codeIn(picture: CanvasImageSource, width: number, height: number, timeLimit: number): Promise<string | null> {
  const { default: decode } = await whenThere(() => import('qr/decode.js'));
  const scale = Math.min(1, longestSide / Math.max(width, height));
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const drawn = canvas.getContext('2d', { willReadFrequently: true });
  if (!drawn) return null;
  drawn.drawImage(picture, 0, 0, canvas.width, canvas.height);
  try {
    return decode(drawn.getImageData(0, 0, canvas.width, canvas.height), { timeLimit });
  } catch {
    // It throws where no code is seen, or one that is cut off or blurred.
    return null;
  }
}

/** What stands in the code on a photograph; null where none is seen, or where it is no picture. */
export async function codeOnPicture(file: Blob): Promise<string | null> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return null;
  }
  const code = await codeIn(picture, picture.width, picture.height, patience.picture);
  picture.close();
  return code;
}

/** What stands in the code that a camera is held at; null where none is seen. */
export const codeOnFilm = (film: HTMLVideoElement): Promise<string | null> =>
  film.videoWidth > 0 ? codeIn(film, film.videoWidth, film.videoHeight, patience.film) : Promise.resolve(null);
