import { cookies, headers } from "next/headers";
import { catalogues, screenLanguages, type Catalogue, type ScreenLanguage } from "@/messages/catalogues";
import { chooseLanguage } from "@/messages/choose-language";

/** The language of this student's screens, with what they say in it; English is with every page already. */
export async function screenLanguage(): Promise<{ language: ScreenLanguage; messages?: Catalogue }> {
  const chosen = (await cookies()).get("language")?.value;
  const language = chooseLanguage(chosen, (await headers()).get("accept-language"));
  return { language, ...(language !== "en" && { messages: catalogues[language] }) };
}

/** The title of a student's page, in the language of this student's screens. */
export async function screenTitle(page: keyof Catalogue["title"]): Promise<{ title: string }> {
  const { language } = await screenLanguage();
  return { title: catalogues[language].title[page] };
}

/** Every language there is, by its own name. */
export const languagesThereAre = screenLanguages.map((code) => ({ code, name: catalogues[code].common.language }));
