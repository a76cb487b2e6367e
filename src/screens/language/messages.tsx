"use client";
import { IntlProvider } from "use-intl";
import type { ReactNode } from "react";
import english from "@/messages/en.json";
import type { Catalogue, ScreenLanguage } from "@/messages/catalogues";

/** What everything inside is said in. Only other languages than English are sent with the page: English is there already. */
export function Messages({
  language,
  messages,
  children,
}: {
  language: ScreenLanguage;
  messages?: Catalogue;
  children: ReactNode;
}) {
  return (
    <IntlProvider locale={language} messages={messages ?? english} timeZone="UTC">
      {children}
    </IntlProvider>
  );
}
