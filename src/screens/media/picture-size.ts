/** Width and height of a picture file in pixels; undefined where the browser cannot tell. */
export async function pictureSize(file: Blob): Promise<[number, number] | undefined> {
  try {
    const picture = await createImageBitmap(file);
    const size: [number, number] = [picture.width, picture.height];
    picture.close();
    return size;
  } catch {
    return undefined;
  }
}
