// One image per source for the whole page: a picture is decoded once.
const images = new Map<string, HTMLImageElement>();

/** The image of a data URL; null until it is decoded, then `ready` is called. A picture in an image element runs no script. */
export function imageOf(source: string, ready: () => void): HTMLImageElement | null {
  let image = images.get(source);
  if (!image) {
    image = new Image();
    image.src = source;
    images.set(source, image);
  }
  if (image.complete) return image.naturalWidth > 0 ? image : null;
  image.addEventListener('load', ready, { once: true });
  return null;
}

/** Waits until all pictures are decoded, or known to be broken. */
export async function imagesReady(sources: readonly string[]): Promise<void> {
  await Promise.all(
    sources.map(async source => {
      imageOf(source, () => undefined);
      await images
        .get(source)
        ?.decode()
        .catch(() => undefined);
    }),
  );
}
