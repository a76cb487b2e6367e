import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { belongsTo } from "@/core/locale/country";
import { placeOf } from "@/core/place/places";
import { everyText } from "@/core/resource/every-text";
import { PlaceScreen } from "@/screens/place/place-screen";
import { adaptData } from "@/server/adapt/adapt";
import { profileOf } from "@/data/classes/classes";
import { chosenClass } from "@/server/classes/chosen-class";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Fit it to my place" };

export default async function PlacePage({ params }: { params: Promise<{ resource: string }> }) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor, now } = await enter("edit resource", { resource });
  const [data, { current }] = await Promise.all([adaptData(db, visitor, resource, now), chosenClass(db, visitor, now)]);
  if (!data) notFound();
  const language = data.document.languages[0]!;
  const { country } = belongsTo(everyText(data.document, language), language);
  const home = current && (await profileOf(db, current.id)).country;
  return (
    <PlaceScreen
      key={resource}
      data={data}
      from={placeOf(data.document.region ?? "")?.code ?? placeOf(country)?.code ?? "US"}
      to={placeOf(home ?? "")?.code ?? "GB"}
      zone={visitor.zone}
    />
  );
}
