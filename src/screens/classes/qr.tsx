"use client";
import QRCode from "qrcode";
import { useEffect, useState } from "react";

/** A picture a tablet's camera reads as an address. */
export function Qr({ text, label, className }: { text: string; label: string; className: string }) {
  const [drawn, setDrawn] = useState<{ text: string; picture: string }>();
  useEffect(() => {
    let wanted = true;
    void QRCode.toDataURL(text, { margin: 1, width: 480, errorCorrectionLevel: "M" }).then(
      (picture) => wanted && setDrawn({ text, picture }),
    );
    return () => {
      wanted = false;
    };
  }, [text]);
  if (drawn?.text !== text) return <span className={className} />;
  // eslint-disable-next-line @next/next/no-img-element -- drawn here: there is nothing to optimise
  return <img src={drawn.picture} alt={label} className={className} />;
}
