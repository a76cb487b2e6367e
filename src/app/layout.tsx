import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource/young-serif/400.css";
import "@fontsource/andika/400.css";
import "@fontsource/andika/700.css";
import "./globals.css";
import type { Metadata, Viewport } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { Messages } from "@/screens/language/messages";
import { Toasts } from "@/ui/toast";
import { TipProvider } from "@/ui/tip";

export const metadata: Metadata = {
  title: { default: "Golden Satchel", template: "%s · Golden Satchel" },
  description:
    "Find lessons, look them over, make them your own, assign them to the right students, see their answers.",
  icons: { icon: "/satchel.svg" },
};
export const viewport: Viewport = { width: "device-width", initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get("theme")?.value === "evening" ? "evening" : "day";
  return (
    <html lang="en" data-theme={theme}>
      <body>
        <Messages language="en">
          <TipProvider>
            {children}
            <Toasts />
          </TipProvider>
        </Messages>
      </body>
    </html>
  );
}
