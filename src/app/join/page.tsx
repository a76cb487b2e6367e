import { JoinScreen } from "@/screens/student/join-screen";
import { idFrom } from "@/core/ids";
import { languagesThereAre, screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";

export const generateMetadata = () => screenTitle("comeIn");

export default async function JoinPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  await enter("sign in");
  const { to, code, name, with: asked } = await searchParams;
  const text = (value: string | string[] | undefined) => (typeof value === "string" ? value.slice(0, 80) : "");
  const door = asked === "words" || asked === "pictures" ? asked : name ? "pictures" : "code";
  return (
    <JoinScreen to={idFrom(to) ?? null} code={text(code)} name={text(name)} door={door} screens={languagesThereAre} />
  );
}
