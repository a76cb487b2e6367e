/** What a letter home says, in the languages it is written in; every other family gets the first. */
export interface LetterFacts {
  student: string;
  className: string;
  subject: string;
  teacher: string;
  school: string;
  address: string;
  signInName: string;
}

interface Letter {
  greeting: string;
  paragraphs: string[];
  closing: string;
}

const letters: Record<string, (facts: LetterFacts) => Letter> = {
  en: (f) => ({
    greeting: `Dear family of ${f.student},`,
    paragraphs: [
      `In ${f.className} (${f.subject}) we give work with Golden Satchel this year. Your child can do it at school, and at home on any computer, tablet or phone with a browser.`,
      `Open ${f.address}. The name to sign in with is ${f.signInName}; the password stands on your child's login card. It is nobody else's, and only I can replace it.`,
      "What your child does there is seen by the teachers of the class. Nothing is sold, and nothing is shown to other families.",
      "If you have no device at home, or a question, write a line in the notebook.",
    ],
    closing: "Kind regards",
  }),
  es: (f) => ({
    greeting: `Estimada familia de ${f.student}:`,
    paragraphs: [
      `Este curso, en ${f.className}, damos tareas con Golden Satchel. Su hijo o hija puede hacerlas en la escuela y también en casa, en cualquier ordenador, tableta o teléfono con navegador.`,
      `Abran ${f.address}. El nombre para entrar es ${f.signInName}; la contraseña está en la tarjeta de acceso. Es solo suya, y solo yo puedo cambiarla.`,
      "Lo que hace allí lo ven los docentes de la clase. No se vende nada ni se muestra a otras familias.",
      "Si no tienen un aparato en casa, o si tienen una pregunta, escriban una línea en el cuaderno.",
    ],
    closing: "Un saludo cordial",
  }),
  fr: (f) => ({
    greeting: `Chère famille de ${f.student},`,
    paragraphs: [
      `Cette année, en ${f.className}, nous donnons du travail avec Golden Satchel. Votre enfant peut le faire à l'école, et à la maison sur tout ordinateur, tablette ou téléphone avec un navigateur.`,
      `Ouvrez ${f.address}. Le nom pour entrer est ${f.signInName} ; le mot de passe se trouve sur la carte de votre enfant. Il n'est qu'à lui ou à elle, et moi seule ou seul peux le remplacer.`,
      "Ce que fait votre enfant est vu par les enseignants de la classe. Rien n'est vendu ni montré à d'autres familles.",
      "Si vous n'avez pas d'appareil à la maison, ou pour toute question, écrivez une ligne dans le cahier.",
    ],
    closing: "Cordialement",
  }),
};

export const letterLanguages: readonly string[] = Object.keys(letters);

/** The letter in the family's language, where it is written in it, else in the first; and which that is. */
export function letterHome(facts: LetterFacts, language: string | null): Letter & { language: string } {
  const wanted = language?.split("-")[0] ?? "en";
  const chosen = letters[wanted] ? wanted : "en";
  return { ...letters[chosen]!(facts), language: chosen };
}

/** The families whose language no letter is written in, by the student's name. */
export function withoutLetter(
  students: readonly { givenName: string; familyName: string; familyLanguage: string | null }[],
): { student: string; language: string }[] {
  return students.flatMap(({ givenName, familyName, familyLanguage }) =>
    familyLanguage && !letters[familyLanguage.split("-")[0]!]
      ? [{ student: `${givenName} ${familyName}`, language: familyLanguage }]
      : [],
  );
}
