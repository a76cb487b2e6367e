import type { LookedAt, LookedResource } from "@/core/assign/finding";
import type { AssignForm } from "@/core/assign/form";
import { consentAsked } from "@/core/assign/look-at-consent";
import type { Db } from "@/data/engine/db";
import { withoutConsent } from "@/data/keep/consent";

/** Who of those chosen could not answer, for want of a family's yes; asked only where the work asks for a voice or a picture. */
export async function consentMissing(
  db: Db,
  form: Pick<AssignForm, "to">,
  resources: readonly LookedResource[],
): Promise<LookedAt["withoutConsent"]> {
  const asked = consentAsked(resources.map(({ document }) => document));
  const students = form.to.flatMap((group) => group.students);
  return {
    voice: asked.voice.length > 0 ? await withoutConsent(db, students, "voice") : [],
    picture: asked.picture.length > 0 ? await withoutConsent(db, students, "picture") : [],
  };
}
