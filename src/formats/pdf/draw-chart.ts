import type { ChartPoint, ReportBlock } from "@/core/report/report";

const SOFT = "#5E574B";
const LINE = "#E2D9C6";
const GREEN = "#235444";
/** Points of a sheet. */
const LETTERS = 8;
const LEFT = 34;
const BELOW = 16;
const RADIUS = 2.6;

interface Place {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Results over time as circles, and the level they led to as a line: told apart by shape, and so on a printer without colours too. */
export function drawChart(
  doc: PDFKit.PDFDocument,
  { points, legend }: Extract<ReportBlock, { kind: "chart" }>,
  place: Place,
): void {
  const [left, right] = [place.left + LEFT, place.left + place.width - RADIUS];
  const [top, foot] = [place.top + LETTERS, place.top + place.height - BELOW];
  const [begins, ends] = [points[0]!.at.getTime(), points.at(-1)!.at.getTime()];
  const x = ({ at }: ChartPoint) => left + ((at.getTime() - begins) / Math.max(1, ends - begins)) * (right - left);
  const y = (share: number) => foot - Math.min(1, Math.max(0, share)) * (foot - top);
  doc.font("plain").fontSize(LETTERS).fillColor(SOFT);
  for (const share of [0, 0.5, 1]) {
    doc.moveTo(left, y(share)).lineTo(right, y(share)).lineWidth(0.5).strokeColor(LINE).stroke();
    const text = `${share * 100}%`;
    doc.text(text, place.left, y(share) - LETTERS / 2, { width: LEFT - 6, align: "right", lineBreak: false });
  }
  const days = { width: right - left, lineBreak: false } as const;
  doc.text(points[0]!.label, left, foot + 4, { ...days, align: "left" });
  doc.text(legend, left, foot + 4, { ...days, align: "center" });
  doc.text(points.at(-1)!.label, left, foot + 4, { ...days, align: "right" });
  doc.lineWidth(1.5).strokeColor(GREEN).lineJoin("round");
  for (const [at, point] of points.entries()) {
    if (at === 0) doc.moveTo(x(point), y(point.level));
    else doc.lineTo(x(point), y(point.level));
  }
  doc.stroke();
  for (const point of points) doc.circle(x(point), y(point.share), RADIUS).lineWidth(1).fillAndStroke("#FFFFFF", GREEN);
  doc.fillColor(SOFT);
}
