import { Keys } from "./key-list";
import { keyList, leadKeyList, resultsKeyList, waitingKeyList } from "./keys";

const chapters: { title: string; text: string[] }[] = [
  {
    title: "Find",
    text: [
      "The search is a sentence with blanks. Type the words where it says “anything”; press a blank to fill it. Beside each choice stands how many results it would leave. The numbers under the sentence are the steps you took: press one to go back to it.",
      "Quotes find a phrase (“high water”), a minus leaves a word out (tides -moon). A misspelt word is corrected, and the page says so; “Use this spelling” puts it into the search. Where few results have all the words, those with most of them are shown.",
      "Behind “and also…” are topic, standard, language, what students do, device, country, licence, author and set. The code of a standard (MA.5.M.2), an ISBN, “by” and a name, “grade 4” and the name of one of your classes are understood among the words.",
      "Before anything is typed, Find shows places to begin: saved searches and authors you follow with what is new since, what you looked at, what your school uses, sets for this month, topics, colleagues, partners and the frameworks as a tree. “Save this search” keeps what you search for.",
      "Versions of one thing, and editions of one book, share a line; press “4 versions” to see them all. “and also… not covered yet by” finds standards one of your classes has not met. “Fit” puts first what suits the class chosen above.",
    ],
  },
  {
    title: "Look it over",
    text: [
      "The chosen line opens on the light table. Skim shows every step with the answers beside it. Work lets you do it as a student would; it is checked for real and nothing is kept.",
      "Above the steps stands how it fits the class chosen in the bar: length against the period, reading grade against the class, grade, standards, country, language, devices. Always with the reasons. Facts shows what was measured and how, the hardest sentences, the words a child may not know and what belongs to another country.",
      "Press c on two to four lines and compare them side by side. Works with several editions say so, and a table shows where they differ. Colleagues is for your own school: who used it, and how it went. Board opens it in a window of its own, without answers. Print makes a sheet for students, an answer key, or both. Facts also lists which classes of your school used it.",
    ],
  },
  {
    title: "Keep it, make it yours",
    text: [
      "Pack keeps the author’s original in your satchel; P puts it into one of your pockets as well, and Ctrl + Enter there goes on to assigning the whole pocket. Adapt makes your own version: change anything, the original stays as it is and stays named. It saves by itself; Publish makes a revision that never changes, so what you assign on Monday is the same on Friday.",
      "Questions are of twenty-two kinds: choose, write, number, fill gaps or a table, match, order, sort into groups, label a picture, place on a number line, draw bars, plot points, mark a place on a map or picture, mark words, draw, vote, photograph, film, speak, take notes on a page. What can be checked is checked by itself; the rest waits for you to read. All can be answered with the keyboard.",
      "“More …” puts in a film, a drawing of yours, something to listen to, a table, maths, a page to open, or one of eight things to find out with: number line, bars, blocks of ten, clock, balance, graph, coins, ruler. Each of them can also stand under a question that asks for a number (“Found with”).",
      "You can draw with shapes, lines, arrows, words and a pen, on a blank page or over a picture. From the keyboard, Enter picks the next thing, the arrows move it, Shift with the arrows stretches it, and Delete removes it. “Let students draw on their own copy” turns the drawing into a question.",
      "Each question can have a hint, and a message for a right answer, for a wrong answer, or for any answer. You can also write how it should be read aloud. Choices can be pictures. Students see your message when the answer is checked: at once, at the end, or after everyone’s due date.",
      "A film can wait: stand at the moment, press “Stop here …” and choose what it asks. Carry a stop along the pictures of the film, or move it with the arrow keys; set where it begins and ends, add captions as a WebVTT file. Students answer, and it goes on; it opens again where they left it.",
      "“Record them” records the instructions: listen, go on from any moment, delete. While it plays, students see the word that is being read. A colleague’s voice, in instructions or in a sound, is never published with your version by accident: record yours, keep theirs with the name, or have none.",
      "“The whole” is where you say what a lesson is about: standards (suggested, searched, or picked from the tree), topics, minutes, devices, country, months, the book it goes with, a word list, and notes for teachers and families.",
      "“The whole” is also where you add a language. Each text of a step then has an empty box beside it for the translation, and each language can have its own recording. Students switch languages at the top of their page.",
      "A question may have a time: students open it when they are ready, and it counts down. In another language you mark the words again and add the answers students may type. “Before you publish” lists what you must fix and, separately, what is worth a look (a broken link, say); press one to go straight to it. “several” in the list of steps moves, copies or removes many at once. Undo still works after you reload the page.",
      "Press the sign that says whose it was to see everything that changed, before and after: words, choices, hints, languages, pictures, settings. Any step, its place, or all of it can be put back. Where you and the author changed the same step, both are shown side by side. When the author publishes again, it says so there: take single steps, or all that leaves yours alone.",
      "“Take from elsewhere” searches the single steps and questions of everything you may see. Put a step in, swap it, or put a question into the step you are on; the author is named for you, and the licence counts. Two windows on one resource put their changes together; where both changed the same, you choose.",
      "Pockets hold what belongs together, one inside another if you like. One thing may be in several. Shift+J and Shift+K move a thing down or up in its pocket, or carry its line onto another; laying out follows that order. “Not in any pocket” shows what is still to be sorted. “Narrow” shows only some; the arrow takes the list along for a spreadsheet, and the printer prints it with what its standards say. “Revised” means its author has published again since you packed it.",
      "Tick things to put them into a pocket, give them a label of your own, copy them, or take them out. What is your own is then “Put away” and can be brought back at any time. When an author withdraws something you packed, the satchel tells you; your versions stay.",
      "“Bring in” makes a lesson from what you already have. Which file for what: slides (.pptx), a document (.docx, .odt, .pdf), a book (.epub), a web page (.html), Markdown (.md), plain text, a picture or captions (.vtt) for steps; a table (.csv, .xlsx) with “question”, “A”, “B” … and “answer” above it, or another system’s questions (QTI 1.2, 2.1, 3.0), for questions; a course package (.imscc, Common Cartridge) for both. You see page by page what comes in, with tables, formulas, pictures, films, sounds and speaker’s notes, and say what becomes of each page: a step, part of the step before, your notes, or left out. Choices lettered A, B, C become a question; a star says which is right. What has no counterpart is listed with its reason. A file may have 100 MB and 200 pages. When the file changes, bring it in again under the same name: “See what changed” proposes each change for what you made of it, and leaves what you changed yourself as it is.",
      "“Save as a file” is beside “Print” on the light table, above a pocket, and in the plan under “Hand over”. Which file for what: PDF to print or send; DOCX or PPTX to change in an office program; one web page for a child without a network (it checks answers by itself); EPUB for readers; Common Cartridge for course sites (1.1 for older ones, thin for links only); QTI for test systems; LRMI for catalogues. In Results, “Export” also gives xAPI for a learning record store, and in Marks OneRoster for the school’s register.",
      "“My satchel as a file”, under “Bring in”, downloads everything you have made: all revisions, drafts, pictures, sounds, films, credits and pockets. Bring the file in here or at another school: you first see what is in it and what you already have.",
      "“Fit …” in the editor, “To my place”, lists what belongs elsewhere: money, spelling, school words, paper, dates, hours, holidays, lengths, weights and temperatures. You see each change in its sentence; tick single ones or a whole kind, and make them as one change. Money is only renamed, so every answer stays right. Units are converted and rounded as a textbook would, and the answers that follow from them with them. An answer that does not follow is marked: look at it, press “The answer is right”, then publish.",
      "“Fit …”, “Shorter, or easier to read” makes a version for some of your students. It proposes which steps to leave out for the minutes you have, keeps the opener, a check and the standards where it can, and says what is lost. It also lists hard words that have a plainer one, and long sentences with a place to cut them. “Make this version” puts the version into your satchel, and you assign it beside the first one: “Alva short version”.",
      "Under Print, “for a family” makes a sheet to do at home: how long it takes, what to have ready, what to do, and how to see that it went well, in any language of the resource. There are no answers and no notes of yours on it. Choose plainer words for it, add a link for the child, print it or keep it as a PDF. Letters about results can ask for it too.",
    ],
  },
  {
    title: "Assign",
    text: [
      "Press a and type it in one line, then Enter: “puffin except Bo, Mon 30 Nov to 11 Dec, 2 tries, goal equivalent fractions”, “kittiwake tue first lesson due friday 3”, “red boats short version, rest normal”, “now”. Each piece is shown as it was understood; what is not understood stays marked and changes nothing. The line knows names, groups, grades, classes, days, lessons, hours, “in 3 school days”, “for two weeks”, tries, order, goals, versions and extra time.",
      "Or fill in the form below, and the line says the same. Choose any mix of classes, groups and students. Choose when it opens (now, in a lesson, on a day at a time) and when it is due (in that lesson, some school days later, on a day at a time). Before you assign it, one sentence tells you who gets what and when.",
      "“Different versions, more time” is a small table: students by versions. Fill it by a rule (grade 4, everyone who reads below 4, a group), by pressing, or by drawing over it. Students with more time on the roster get it without your doing anything: minutes in a lesson, school days otherwise, always at the same hour; and longer for each question that has a time.",
      "The last look is a list above the sentence: a date that is past, evening for morning, a day without school, a lesson that is full, text far above the class, somebody else’s voice, links that lead out, who has it already, too much due on one day. Each comes with a button that fixes it. Only what cannot work stops you.",
      "In the satchel, tick several things and press Assign: all at once in the order you choose, one in each lesson, or one opening after another as they are handed in. “How often …” sets how many tries there are, when answers are checked, and until when work can be handed in: late too, until it is due, or until a time you choose. It also sets how students do each step (alone, in pairs, in groups, all together), which days it is open, and which earlier work must be handed in first. You can type that too: “closes mon 7 dec 5 pm”. What you typed and ticked is still there after a reload.",
      "Under every page are the lessons of the next two weeks (in the editor, folded away until you want them). Carry anything onto one by its handle, with the mouse or a finger, or press s, choose with the arrows and press Enter.",
    ],
  },
  {
    title: "Share",
    text: [
      "Press h on something of yours, or tick several in the satchel. The sentence is filled in for you: the staffroom, all its grades and subjects. Press a word to change it, or type it in one line (“staffroom grades 4-5 maths”), then Enter. A colleague finds it under the grades and subjects you say.",
      "Below the sentence you see how far it may go, and why not further: a licence, your school’s rule, somebody else’s recording, a picture without a source, the full name of a child you teach. What can be fixed leads to its step. Where only curators may put things on a shelf, you offer it to them instead.",
      "You can take it off the shelf there at any time: copies and assignments other teachers made stay theirs. You also see how often it was packed, adapted and assigned; “Shared by me” in the satchel lists that for everything of yours. If a curator sends it back, the notes stand at their steps in your editor. When you publish again something that stands on a shelf curators keep, the arrow beside Publish lets them decide first: until then everybody reads what was there. A recording or picture that keeps it from going farther is taken out with one press, and comes back with undo.",
      "Under “People” you give something to colleagues by name, with a line of text. They find it under “Given to me” in the satchel, and can pack it, make their own copy without your voice, assign it, and say thank you. You can take it back; copies stay theirs. “Look only” lets them see it and nothing more.",
      "Under “Link” you make an address anyone can open who has it, without an account: to look at, or to copy too; with or without answers and notes; until a day, or until you end it. It comes as a QR code as well. People see just what you shared and can print it; a teacher who signs in packs or adapts it. The address is shown once, so copy it then. What must not leave your school gets no link.",
      "In a pocket, the share button shares everything of yours in it at once. A link to several things opens them as one list.",
      "A pocket can be kept by several: “More”, then “Keep it with others …”. Each may look, add things, or arrange and take out as well. What two of you change at once is put together, and nothing is lost. What you put in of your own is seen by the others while it is there. You find colleagues’ pockets in your satchel, under “With others”.",
      "Something wrong in a colleague’s work? “Report a mistake” on the light table goes to the curators of its shelf, with the step; the author and you get a message when they decide.",
      "Curators have a desk: what waits, the offer itself, what is like it on the shelf already, whether its rights fit, and the author’s earlier offers. Everything there has a key, and u undoes a decision. The office says who may put things on the district shelf and the commons. Under “reports” is what readers found wrong; under “sets” you keep the sets of Find’s first page: when in the year, a picture, the order, and a sentence that says why.",
    ],
  },
  {
    title: "Teams",
    text: [
      "A team shares out the work: who makes what for which week. Make one, choose who is in it, and name the parts that come round every week. The board shows each part of each week: nobody yet, asked, in progress, or ready. The arrows go from part to part, Enter opens one.",
      "Press a part to say who makes it; they get a message, and it shows in their lessons at the foot of the page until it is ready. When yours is done, press “It is ready” and choose it from what you have published. Everyone in the team can then see, copy and assign it, and “Assign” beside the week assigns all that is ready. Below the board you see who has how much.",
    ],
  },
  {
    title: "Plan",
    text: [
      "Days by lessons: what is planned, minutes against the lesson, and what is due. A day on which children have three things due names them: press it, and each piece of work is offered the nearest day with room for everyone who has it. Carry work to another lesson; with the keyboard, Space takes it up, the arrows move it, Space puts it down. What was in the lesson stays in the lesson; what was due two school days later is due two school days later.",
      "Press a piece of work to change anything about it: its times, its students, tries, which try counts, checking, goals, the days it is open, how steps are done, or one child’s version and time. You see what a change does to students’ answers before you save it, and u undoes it. You can also split it, move everything from here on by one lesson, give the newer revision to those who have not begun, assign it again, or call it back.",
      "“Hand over” (the parcel above the plan) sends these weeks to the school’s course site: topics in order, materials first, a page and a link for each piece of work, a column for marks, and no date that is past. Send again, and only what is new or changed goes; what somebody changed over there is asked about. Students come in from there without another password, and marks go back by themselves. The office connects the course site once; in each course press Golden Satchel there once and say which class it is. “Add from Golden Satchel” inside a course lets you choose from your satchel there. A pocket goes the same way: “Save this pocket as a file”, then “Hand over to …”. What the class has of it goes as its work, the rest as pages to read.",
      "“Bring …” looks for things from here, or shows your satchel: carry one onto a lesson, read the sentence, assign it.",
      "“A day is lost” takes a day out for your classes and moves what was planned. “Lay out a pocket” spreads its lessons over the next meetings by their minutes and shows a preview first; choose students, versions, tries and goals for all of it there. u undoes all of it, unless somebody has changed it since; then you are told.",
      "List shows everything scheduled, open and finished; what was due more than three weeks ago is one press away. Narrow it by words, state, class, student, subject or goal, and all of it is searched; tick several to change when they are due, how they are done and what they are for, or to call them back.",
      "“in pictures” beside a day shows it as pictures with boxes to tick, for children who need to see what comes next. It comes from the plan; change the pictures, words and order as you like. It is saved as you go, and you can print it.",
    ],
  },
  {
    title: "Classes",
    text: [
      "Roster: type names or paste a table; columns are recognised, every line that cannot be read is listed with its reason, and nothing is kept until you bring it in. Paste the table again later and what changed (names, grades, reading grade, languages, more time) is brought up to date; u takes it back. What you write down about a student (reading grade, more time, read aloud, languages, a goal of her own) is seen by the teachers of the class and used when you assign.",
      "Under “More” you can change a class’s name, grades, lesson length, reading range, languages and devices (these decide what fits it), or put the class away. “Make a class or group” makes a new one, for several grades too, and “From my classes” adds students to it. Classes you put away stay in the list below: look at what they had, assign it again, or bring them back.",
      "Groups are made by a rule or by hand, with pairs kept apart. The seating plan is carried about, or moved with the arrow keys, and printed.",
      "Ways in: a join code (a word and five digits) with a picture for the camera, large for the board, good for an hour or as long as you choose. Students’ screens are in English or Spanish: they choose at the top of their page. It opens today’s work; earlier work and marks need the child’s own card. “End it now” signs out everyone who came in with it. Login cards with two words or three pictures, shown once, because only a hash is kept; letters home in the family’s language (English, Spanish, French, Danish; another language is one more file in words/letters, and until then you are told who gets the English one); the class’s calendar as a secret address or a file.",
      "A link like /student/12 may be pasted anywhere: it leads a student through coming in to that very thing.",
    ],
  },
  {
    title: "The school office",
    text: [
      "“Set up a school year, step by step” asks for the first and the last day, how long a lesson is and which days are off, and works out the rest. Terms, the week and its bells, rotating days, days off (also from an iCalendar file), half days, when classes meet, who teaches and who covers from when to when, which class is a homeroom, and how students’ names are written. A OneRoster zip (1.1 or 1.2) or a table brings in the school’s roster; what would change is shown first, and the same file again changes nothing. A file with several schools asks which one is yours. Everything the office changes here, a roster too, is taken back with u.",
      "Teachers and office: add people by typing or pasting a list. Each gets an invitation with an address to choose a password; it goes by mail, and the outbox shows it. “Invite again” also helps someone who forgot a password; so does “I forgot my password” on the sign-in page. “Records”, beside a child’s name, adds the child to another class or moves them to another school in the district. A child who is already in another class joins a class here, or through a teacher who has the child in both.",
      "“Roster from the directory” asks the district’s directory (OneRoster 1.2) and shows what has changed before anything does. “The school’s own sign-in” (OpenID Connect) adds a button to the sign-in page, so that nobody needs another password.",
      "Someone who leaves the school: “Has left”. They are signed out and cannot sign in, and under “People who have left” a colleague can have their satchel. A child who is in no class has left. Under “Children’s records” you choose how long the school keeps what it has of them, and whether families are asked before recordings, photographs and films are kept. “Records”, beside a child’s name, gives you everything as a file, says who looked, and can delete it all.",
      "“My account”, in the menu with your initials, shows where you are signed in and signs you out everywhere else, changes your password, and adds a second step: a code from an app on your phone. Write down the eight codes it gives you. The office can turn the step off for someone who has lost both.",
      "“Day lost” takes a day from the whole school: what every class had planned moves on, and one undo brings it back. Rotating days keep their letters.",
    ],
  },
  {
    title: "Work you look at first",
    text: [
      "Under “How often …” you also say who sees what children write, draw, photograph, film or say. “I look at it first” holds it back: you find it under “Waiting” in the bar above, oldest first. Classmates can see it never, after sending their own, or straight away, with or without replies, until a time you set.",
      "A child presses “Show it to …” below an answer, or hands in. You approve it (a), or send it back (b) with words, your voice, or lines over the work (p). Your phrases have the keys 1 to 9: keep a sentence you often write as one. u takes the last decision back, and v puts the first version beside the new one.",
      "What you send back is at the top of the child’s first page and can be corrected, even if everything was handed in. Both versions are kept. Classmates never see your words, your marks or what was sent back.",
      "“Put it away” is for what should stay between you and the child: once handed in, the child does not see it again.",
    ],
  },
  {
    title: "Reading, guests, and what children set for themselves",
    text: [
      "In Classes, “Reading shelf” opens a shelf of readings for a class: from a pocket of yours, or from everything there is to read at a level, in a subject, in a language. You say how many minutes are to be read each day or week. Children tap what they like and see three readings with a reason; minutes count only while somebody is really reading. You see everybody’s minutes, what they read and what they like, and can put something at the top.",
      "If the office allows guests, “Link …” beside an assignment makes a link for one: they type a name and do this one piece of work, without an account, until it closes. In Results you can move what a guest did to one of your students.",
      "On every page children can set larger letters, more space, calm colours and a ruler, choose the picture they are known by, and press a dotted word to see what it means. “Read to me” highlights each word as it is read. Work they are fond of they keep under “Mine”.",
    ],
  },
  {
    title: "Lead a lesson",
    text: [
      "A run sheet is your script for teaching a resource to the class: press r on the light table. It is proposed from the steps, questions and notes, for one lesson or for several. A line is I say, I do, they do or they show: Tab changes that, Enter begins a new line, Alt and the arrows move it, Escape leaves it. Take questions as openers or exit questions; a line says so when the resource changes. Print it as a script, as large steps for the board, or as word cards.",
      "When you lead the lesson, the script is above the step (s hides it). It says what to leave out when time is short, calls children to the board by name, by turns or by lot (fairly over the weeks), and “Ask everyone” sends a question to every screen. “Move the rest to day 2” moves what you did not reach to the next lesson and says how long that lesson is then.",
      "Press g while a step runs to have it done alone, in pairs, in groups or all together from then on. Pairs and groups are made from who sit together, by reading, by the last result, at random, or from groups you have saved, and changed by carrying a name. Children see with whom they work, and the board can show it. It counts for this lesson only: the resource stays as it is.",
      "In pairs, groups or all together, they can write on one page: text, cards, drawings and tables are the same on all their screens as they work. Beside the class you see what each group writes; open it to see who wrote which words, and undo from any point. “Pause writing” lets them look but not write. If you split the class into groups, each goes on from the page of the whole class. Everyone’s own answers stay as they were, and what they made together can be opened below the step afterwards. Photographs, films, recordings and timed questions stay each child’s own.",
      "Press “Lead” (l) on the light table and the lobby is open: the class has the lesson, and a code, a link and a picture to come in by. “Lead it” is on a lesson in the plan too, and “Live” on anything in Results. Children who have signed in already find it on their first page. Begin when you like; anyone who comes later lands where the class is.",
      "You see the step as the class sees it, with your notes and the answers beside it, the minutes used of the minutes planned, and what arrives from each seat. The board has a window of its own (b), for the projector: no answers, no notes, no names. “See as a child” (v) shows a child’s screen.",
      "Pace: together (every screen follows), up to here (children turn as far as you have opened), or free. “All eyes up” (y) covers every screen until you press it again; what was written is kept. The pen (p) draws over the step on every screen; a note (t) stands above it; a timer is seen by all and ends by itself. A film runs on the board only, or on every screen, started together.",
      "Show the chart of what was chosen, single answers without names, or the right answer (r). A quick question (q) is asked on every screen at once and answered in seconds; nothing of it is marked.",
      "A child is called stuck when it has been on the step without an answer for longer than nearly all who have answered took, when it has answered wrongly three times, or when it presses “I am stuck”. The reason is always shown. Press a seat to see what a child has answered so far, and write a short note about the step; the child can write back. Notes are kept with the work, and the school office can switch them off. This works in the same way when nobody leads and children work at their own pace.",
      "A colleague who teaches the class can take over from another computer at any time; if yours has to restart, nothing is lost. A quarter of an hour after your screen has gone, children can go on by themselves. When you end the lesson you see what was reached; the rest goes on at the children’s own pace, becomes homework, or moves to the next lesson.",
    ],
  },
  {
    title: "Students come in",
    text: [
      "With the code on the board and their name, or with their name and three pictures, or with their name and two words. “Read to me” reads everything on the step: in your own voice where you spoke it, else in the device’s. Answers are kept as they are given, on the device and on the server. A closed lid or a lost network loses nothing.",
      "Work that is open now is kept on the child’s device, so that it opens without a network for the rest of the day: text, pictures, sounds and films. Photographs, films and recordings wait on the device too, and “Hand it in” is remembered and done when the network is back. This needs an address that begins with https, or localhost. On a shared tablet, “Go out” removes what was kept, and what is kept opens only until the browser is closed. If a device is nearly full, the child is told.",
      "Work that closes takes no more answers. What a device without a network sends later is kept aside: Results shows it, and it counts only if the teacher says so. Of two devices, the answer written last counts.",
    ],
  },
  {
    title: "See what came back",
    text: [
      "Results fill while students work. Press a mark to see the answer it was given for. CSV opens in any spreadsheet.",
      "“Questions” (2; back with 1) says whether the questions were any good: how many have each one right, and between which shares the truth may lie with so few children; whether children who did best overall got it right more often than those who did least well; how long it took. It points out a question where the best chose another answer, where two answers may be right, that nearly everyone has right or wrong, that most left blank, or that took three times as long. Press a question (or j and k) for its reason and for who gave which answer. Nothing is worked out for fewer than five children.",
      "“One student” (3, or press a name) shows every try and every answer as it was given, with the time on each; a drawing can be watched stroke by stroke. A clock with an arrow up marks a child who took unusually long, with an arrow down one who finished unusually fast; children who have more time are judged by theirs. The table sorts by its headings and can show one of your groups. “Standards and goals” (4) says how well each standard went, and who has less than half.",
      "“What next” (n) shows children who missed the same thing: a standard, a question, or one wrong answer in common. For each group you can assign the same steps again (a), assign a shorter or easier version, or find something for it (f): Find opens with the standard, text they can all read, and only what their class has not had. What you assign from there goes to exactly these children. When they have done it, you see both results side by side. Questions that may be wrong are left out. In the editor you can say which standard a question “is about” where a resource has several.",
      "“Coverage” shows what your classes have planned, been taught and been assessed of a framework, and how well, from the evidence only; the last result counts. It compares the statements still open with the lessons left in the term. Press a cell (or j and k) for what it was counted from and for who is not there yet, and f to find something for them. Table or chart, a second class beside it, printed or as CSV.",
      "“Marks” is a class over a term: each child’s result in each piece of work, with a total that is exact. You say how much each piece of work counts, whether the lowest are left out, and what happens with work that was not handed in; all teachers of the class share this. Press a result to open the answers or to excuse a child. “Over time” (2) draws the middle child and the middle half of the class. Choose a goal to see only what is tracked under it; “Goals …” renames them, merges two by giving both one name, or ends one at the end of a year. “Export” makes a spreadsheet or CSV, with names or without.",
      "“A student” shows one child over time: every result, the level of the last three, whether it rose or fell and with which result, and what comes next. A goal of the child’s own (added under Classes) can have a criterion, such as 8 of 10, three times running: whether it is met is worked out from the work tracked under it. Only this child’s teachers see it. “Letter home” writes to the family about this term in plain words, in their language (English, Spanish, French, Danish; another language is one more file in words/result-letters); “All” writes one for everybody in the class. You choose what goes in, and print.",
      "“Marking” (5) is for what only a person can mark: writing, drawings, photographs, films, recordings. Give marks, or choose a rubric at “Marked by”: your own, a new one, or one skill from 1 to 4. The number keys choose a level and go on to the next criterion; Enter goes to the next child without a mark, c lets you write to the child, u takes back. A rubric you change leaves the marks you have given. Children see their mark, the levels and your words as soon as the assignment lets them see results.",
      "A portfolio holds what a child is proud of, over the years. Children put work in with the heart after handing in and say why, in words or by voice; you put in an answer with the heart beside it. Under Results, “Portfolio” shows it, and makes a link (or a QR code) for a family: you choose the pieces and the last day. Names of other children and pages made together are left out.",
      "If a colleague marks the same work, neither of you sees what the other gave until you have both marked it. Then you see both, how far you agree (kappa), and you choose whose mark counts; until you do, the first one counts.",
      "Everything in Results can be kept as a file. “Export” and “PDF” make CSV, a spreadsheet, or a PDF of results, questions, marks, coverage, one student, or the letters to all families at once; names can be left out. A PDF has real text, headings and bookmarks, so it can be read aloud.",
      "A question that went wrong can be corrected after it was answered (m): accept another answer, leave it out, or change its marks. You see first who gains and who loses. All marks are then worked out again, on the children’s pages too. Answers stay as they were given, and you can take a correction back at any time. It is for this piece of work only: to change your own version for next time, use the editor.",
    ],
  },
];

export function HelpScreen() {
  return (
    <article>
      <h1 className="mt-6 font-serif text-3xl">Help</h1>
      {chapters.map((chapter) => (
        <section key={chapter.title} className="mt-6">
          <h2 className="font-serif text-xl">{chapter.title}</h2>
          {chapter.text.map((text) => (
            <p key={text} className="mt-2 text-[15px] leading-relaxed">
              {text}
            </p>
          ))}
        </section>
      ))}
      <section className="mt-6">
        <h2 className="font-serif text-xl">Keys</h2>
        <Keys list={keyList} />
        <h3 className="mt-4 mb-2 font-semibold">While you lead a lesson</h3>
        <Keys list={leadKeyList} />
        <h3 className="mt-4 mb-2 font-semibold">While you look at work that waits</h3>
        <Keys list={waitingKeyList} />
        <h3 className="mt-4 mb-2 font-semibold">In Results</h3>
        <Keys list={resultsKeyList} />
      </section>
    </article>
  );
}
