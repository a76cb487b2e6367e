"use client";
import { getDocument, GlobalWorkerOptions, type PDFDocumentProxy } from "pdfjs-dist/legacy/build/pdf.mjs";
import { useEffect, useRef, useState } from "react";

// Made by scripts/build-parts.mjs.
GlobalWorkerOptions.workerSrc = "/pdf-worker.js";

/** In pixels of the screen. */
const WIDTH = 320;

/** The file opened once, for all its pages; null while it is being opened, or cannot be. */
function useDocument(file: File): PDFDocumentProxy | null {
  const [opened, setOpened] = useState<{ file: File; pdf: PDFDocumentProxy } | null>(null);
  useEffect(() => {
    let over = false;
    const opening = file.arrayBuffer().then((data) => {
      const task = getDocument({ data, isEvalSupported: false, enableXfa: false, verbosity: 0 });
      void task.promise.then(
        (pdf) => !over && setOpened({ file, pdf }),
        // What can be read of it is shown anyway, as text.
        () => undefined,
      );
      return task;
    });
    return () => {
      over = true;
      void opening.then((task) => task.destroy());
    };
  }, [file]);
  return opened?.file === file ? opened.pdf : null;
}

/** A page of a PDF as it looks. */
export function PdfPage({ file, nth }: { file: File; nth: number }) {
  const pdf = useDocument(file);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!pdf) return;
    let stop = () => {};
    let over = false;
    void pdf.getPage(nth).then((page) => {
      const place = canvas.current;
      if (over || !place) return;
      const scale = (WIDTH * window.devicePixelRatio) / page.getViewport({ scale: 1 }).width;
      const viewport = page.getViewport({ scale });
      [place.width, place.height] = [Math.round(viewport.width), Math.round(viewport.height)];
      const drawing = page.render({ canvas: place, viewport });
      stop = () => drawing.cancel();
      // One that was turned away from is not drawn to its end.
      drawing.promise.catch(() => undefined);
    });
    return () => {
      over = true;
      stop();
    };
  }, [pdf, nth]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={`Page ${nth} as it looks in the file`}
      style={{ width: WIDTH }}
      className="shrink-0 self-start rounded-card border border-line bg-white"
    />
  );
}
