"use client";
import { FileText, Loader2 } from "lucide-react";
import { useState } from "react";
import { Button } from "@/ui/button";
import { tellProblem } from "@/ui/toast";

const said: Record<number, string> = {
  401: "You are signed out. Sign in again, then ask for the file.",
  404: "This is not here any more.",
};

/** Has a file made on the server and saves it under a name; says what went wrong. */
export async function saveFile(address: string, name: string): Promise<void> {
  const response = await fetch(address).catch(() => null);
  if (!response?.ok) {
    const refusal = response?.status === 422 ? ((await response.json().catch(() => ({}))) as { problem?: string }) : {};
    tellProblem(
      refusal.problem ??
        said[response?.status ?? 0] ??
        (response ? "The file could not be made. Try again." : "There is no network. The file was not made."),
    );
    return;
  }
  const url = URL.createObjectURL(await response.blob());
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** A report as a PDF, in one press; says that it is being made. */
export function PdfButton({ address, name, disabled = false }: { address: string; name: string; disabled?: boolean }) {
  const [busy, setBusy] = useState(false);
  return (
    <Button
      className="not-printed"
      disabled={busy || disabled}
      onClick={() => {
        setBusy(true);
        void saveFile(address, `${name}.pdf`).finally(() => setBusy(false));
      }}
    >
      {busy ? <Loader2 size={16} className="animate-spin" aria-hidden /> : <FileText size={16} aria-hidden />}{" "}
      {busy ? "Making the PDF …" : "PDF"}
    </Button>
  );
}
