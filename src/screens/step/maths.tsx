import katex from "katex";
import "katex/dist/katex.min.css";

/** Maths as TeX, set by KaTeX, which lets no commands through that could load or run anything. */
export function Maths({ tex, spoken, display = false }: { tex: string; spoken: string; display?: boolean }) {
  const html = katex.renderToString(tex, {
    displayMode: display,
    throwOnError: false,
    trust: false,
    output: "html",
    maxExpand: 200,
  });
  return <span role="math" aria-label={spoken || tex} dangerouslySetInnerHTML={{ __html: html }} />;
}
