import { strToU8, zipSync } from "fflate";
import { readOneRoster, RosterError } from "./one-roster";

const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));

const users =
  "sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password";
const classes =
  "sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods";
const enrolments =
  "sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate";
const whole = {
  "manifest.csv":
    "propertyName,value\nmanifest.version,1.0\noneroster.version,1.1\nfile.users,bulk\nfile.enrollments,bulk\n",
  "users.csv": [
    users,
    'u1,,,true,s1,student,,,Aisha,Bello,,,,,,,"05",',
    'u2,,,true,s1,student,,,Bo,"Tideman, the younger",,,,,,,KG,',
    "t1,,,true,s1,teacher,,,Ines,Halloran,,,ines.halloran@skerry.example,,,,,",
    "p1,,,true,s1,parent,,,Mother,Bello,,,,,,,,",
  ].join("\r\n"),
  "classes.csv": [classes, 'c1,,,5 Kittiwake,"04,05",k1,,homeroom,,s1,y1,mathematics,,'].join("\n"),
  "enrollments.csv": [
    enrolments,
    "e1,,,c1,s1,u1,student,,2026-08-31,2027-06-30",
    "e2,,,c1,s1,u2,student,,,",
    "e3,,,c1,s1,t1,teacher,true,,",
  ].join("\n"),
};

describe("a OneRoster file", () => {
  test("1.1: students with grades, teachers with addresses, classes, who is in them", () => {
    const roster = readOneRoster(zip(whole));
    expect(roster).toMatchObject({ version: "1.1", mode: "bulk", problems: [] });
    expect(roster.students).toEqual([
      { rosterId: "u1", givenName: "Aisha", familyName: "Bello", grade: 5 },
      { rosterId: "u2", givenName: "Bo", familyName: "Tideman, the younger", grade: 0 },
    ]);
    expect(roster.teachers).toEqual([{ rosterId: "t1", name: "Ines Halloran", email: "ines.halloran@skerry.example" }]);
    expect(roster.classes).toEqual([
      { rosterId: "c1", name: "5 Kittiwake", subject: "mathematics", grades: [4, 5], homeroom: true },
    ]);
    expect(roster.enrolments[0]).toEqual({
      class: "c1",
      person: "u1",
      role: "student",
      from: "2026-08-31",
      to: "2027-06-30",
    });
  });

  test("1.2: the role stands in a file of its own", () => {
    const roster = readOneRoster(
      zip({
        ...whole,
        "manifest.csv": "propertyName,value\noneroster.version,1.2\nfile.enrollments,bulk\n",
        "users.csv":
          "sourcedId,status,givenName,familyName,grades,email\nu1,,Aisha,Bello,05,\nu2,,Bo,Tideman,,\nt1,,Ines,Halloran,,i@x.example",
        "roles.csv":
          "sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId\nr1,,,u1,primary,student,,,s1\nr2,,,u2,primary,student,,,s1\nr3,,,t1,primary,teacher,,,s1\nr4,,,t1,secondary,administrator,,,s1",
      }),
    );
    expect(roster.version).toBe("1.2");
    expect(roster.students.map(({ rosterId }) => rosterId)).toEqual(["u1", "u2"]);
    expect(roster.teachers).toHaveLength(1);
  });

  test("a delta says what is deleted, and may speak of classes it does not hold", () => {
    const roster = readOneRoster(
      zip({
        ...whole,
        "manifest.csv": "propertyName,value\noneroster.version,1.1\nfile.enrollments,delta\n",
        "users.csv": [users, "u1,tobedeleted,,true,s1,student,,,Aisha,Bello,,,,,,,05,"].join("\n"),
        "enrollments.csv": [enrolments, "e1,tobedeleted,,c9,s1,u1,student,,,", "e9,active,,c9,s1,u7,student,,,"].join(
          "\n",
        ),
      }),
    );
    expect(roster.mode).toBe("delta");
    expect(roster.gone).toEqual({ students: ["u1"], enrolments: [{ class: "c9", person: "u1" }] });
    expect(roster.enrolments).toEqual([{ class: "c9", person: "u7", role: "student", from: null, to: null }]);
  });

  test("rows that cannot be read are listed with file and line, the others are taken", () => {
    const roster = readOneRoster(
      zip({
        ...whole,
        "users.csv": `${whole["users.csv"]}\nu5,,,true,s1,student,,,,Noname,,,,,,,05,\nu6,,,true,s1,student,,,Cato,Whin,,,,,,,twelve,\nu1,,,true,s1,student,,,Again,Bello,,,,,,,05,`,
        "enrollments.csv": `${whole["enrollments.csv"]}\ne8,,,c1,s1,u99,student,,,`,
      }),
    );
    expect(roster.problems).toEqual([
      { file: "users.csv", line: 6, text: "givenName is empty." },
      { file: "users.csv", line: 7, text: "“twelve” is not a grade from K to 12." },
      { file: "users.csv", line: 8, text: "u1 is there twice." },
      { file: "enrollments.csv", line: 5, text: "There is no u99 in this roster." },
    ]);
    expect(roster.students).toHaveLength(2);
  });

  test("a file with several schools says which, reads nothing until one is chosen, and then that one alone", () => {
    const two = {
      ...whole,
      "orgs.csv": "sourcedId,name,type\ns1,Skerry Primary,school\ns2,Holm Primary,school",
      "users.csv": `${whole["users.csv"]}\r\nu8,,,true,s2,student,,,Nils,Berg,,,,,,,"06",`,
      "classes.csv": `${whole["classes.csv"]}\nc8,,,6 Tern,06,k1,,homeroom,,s2,y1,,,`,
      "enrollments.csv": `${whole["enrollments.csv"]}\ne8,,,c8,s2,u8,student,,,`,
    };
    const asked = readOneRoster(zip(two));
    expect(asked).toMatchObject({ students: [], classes: [], enrolments: [], problems: [] });
    expect(asked.schools).toEqual([
      { id: "s2", name: "Holm Primary" },
      { id: "s1", name: "Skerry Primary" },
    ]);
    const holm = readOneRoster(zip(two), "s2");
    expect(holm.classes.map(({ name }) => name)).toEqual(["6 Tern"]);
    expect(holm.students.map(({ givenName }) => givenName)).toEqual(["Nils"]);
    expect(holm).toMatchObject({ enrolments: [{ person: "u8" }], problems: [], teachers: [] });
    const skerry = readOneRoster(zip(two), "s1");
    expect(skerry).toEqual({ ...readOneRoster(zip(whole)), schools: asked.schools });
    expect(() => readOneRoster(zip(two), "s9")).toThrow("does not hold that school");
  });

  test("a class to be deleted is said and not deleted", () => {
    const rows = (...more: string[]) => ({ ...whole, "classes.csv": [whole["classes.csv"], ...more].join("\n") });
    const roster = readOneRoster(zip(rows("c7,tobedeleted,,6 Tern,06,k1,,homeroom,,s1,y1,,,")));
    expect(roster.classes).toHaveLength(1);
    expect(roster.problems).toEqual([
      expect.objectContaining({
        file: "classes.csv",
        line: 3,
        text: expect.stringContaining("6 Tern is marked as deleted") as string,
      }),
    ]);
  });

  test("what is no roster says so", () => {
    expect(() => readOneRoster(strToU8("Name,Grade"))).toThrow(RosterError);
    expect(() => readOneRoster(zip({ "readme.txt": "hello" }))).toThrow(/not a OneRoster file/);
    expect(() => readOneRoster(zip({ ...whole, "users.csv": "id,name\n1,Aisha" }))).toThrow(
      /users.csv has no column sourcedId/,
    );
  });
});
