import { LARGEST_PICTURE } from "@/core/media/sniff";

/** Stores a picture and returns its reference, or what was wrong with it. */
export async function sendPicture(file: File): Promise<{ media: string } | { problem: string }> {
  if (file.size > LARGEST_PICTURE)
    return { problem: "This picture is larger than 8 MB. Nothing was changed; try a smaller one." };
  try {
    const response = await fetch("/media", { method: "POST", body: file });
    return (await response.json()) as { media: string } | { problem: string };
  } catch {
    return { problem: "No connection: the picture was not sent. Nothing was changed." };
  }
}
