import type { School } from './support.js';

export interface View {
  /** Of the address, where ids stand in it as they are in the school. */
  path: (school: School) => string;
  /** A heading that says that it has come. */
  shows: string;
  /** What the browser's tab is called. */
  tab: string;
  /** Whose view it is. */
  who: 'Ottoline Marsh' | 'Perpetua Lund';
}

const TEACHER = 'Ottoline Marsh';
const OFFICE = 'Perpetua Lund';

type Path = View['path'];

const at =
  (path: string): Path =>
  () =>
    path;
const ofClass =
  (letters: string, rest: string): Path =>
  (school) =>
    `/classes/${school.classOf(letters).id}/${rest}`;
const person =
  (name: string): Path =>
  (school) =>
    `/school/people/${school.person(name)}`;
const N3 = 'Coastal Navigation, period 3';

const view = (who: View['who'], path: Path, shows: string, tab = shows): View => ({
  path,
  shows,
  tab,
  who,
});

/** Every view of teachers, and those of head and office alone. */
export const VIEWS: View[] = [
  view(TEACHER, at('/today'), 'Wednesday, 7 sessions', 'Today'),
  view(TEACHER, at('/plan'), 'Autumn term', 'Plan: Autumn term'),
  view(TEACHER, at('/plan?view=week'), 'Week of Mon 12 Oct', 'Plan: Week of Mon 12 Oct'),
  view(TEACHER, at('/plan/new'), 'New session'),
  view(TEACHER, at('/school'), 'School calendar'),
  view(TEACHER, at('/school/about'), 'About the school'),
  view(TEACHER, at('/school/cover'), 'Who covers'),
  view(TEACHER, at('/classes'), '6 class periods', 'Classes'),
  view(TEACHER, ofClass('HE', 'people'), 'Harbour Evening', 'Who comes: Harbour Evening'),
  view(TEACHER, at('/registers'), 'Who came', 'Who came: week of Mon 12 Oct'),
  view(TEACHER, (school) => `/registers/term/${school.classOf('N3').id}`, N3, `Term: ${N3}`),
  view(
    TEACHER,
    (school) => `/term/${school.person('Ansel Grue')}`,
    'Ansel Grue',
    'Term: Ansel Grue',
  ),
  view(TEACHER, at('/check-in'), 'Check-in'),
  view(TEACHER, at('/free'), 'Free times'),
  view(TEACHER, at('/appointments'), 'Evenings by appointment', 'Appointments'),
  // The Harbour Evening’s.
  view(TEACHER, at('/programme/12/2026-11-05'), 'Programme: Harbour Evening'),
  // The clinic’s.
  view(TEACHER, at('/slots/4'), 'Slots: Chartwork clinic'),
  view(TEACHER, at('/account'), 'Your account'),
  view(TEACHER, at('/word'), 'Word for you'),
  view(TEACHER, person('Ansel Grue'), 'Ansel Grue'),
  view(TEACHER, at('/classes/links'), 'The sheet of links'),
  view(TEACHER, ofClass('N3', 'sessions'), 'Ahead', `Sessions: ${N3}`),
  view(TEACHER, ofClass('N3', 'entry'), 'So, at the door', `Entry: ${N3}`),
  view(TEACHER, ofClass('N3', 'posts'), N3, `Posts: ${N3}`),
  view(TEACHER, ofClass('R5', 'roll'), 'Ropework, period 5', 'Roll: Ropework, period 5'),
  view(TEACHER, ofClass('N3', 'about'), 'Who teaches it', `About: ${N3}`),
  view(TEACHER, at('/begin'), 'Glen', 'Another class period'),
  view(TEACHER, ofClass('R5', 'links?new=Group%20work'), 'A new link', 'Links: Ropework, period 5'),
  view(
    TEACHER,
    (school) => ofClass('N3', `links/${school.classOf('N3').link.id}`)(school),
    'Its addresses',
    `Lessons: ${N3}`,
  ),
  view(TEACHER, at('/posts'), 'Posts'),
  view(TEACHER, at('/posts?new'), 'New post'),
  view(TEACHER, at('/posts/reach'), 'Who sees which link', 'Who sees which of all my links'),
  view(
    TEACHER,
    (school) => `/posts/reach?link=${school.classOf('N6').link.id}`,
    'Who sees which link',
  ),
  view(
    TEACHER,
    (school) => `/posts/student-sees?class=${school.classOf('R5').id}`,
    'What a student sees',
  ),
  view(
    TEACHER,
    (school) => `/posts/elsewhere?class=${school.classOf('R5').id}`,
    'Take it elsewhere',
  ),
  view(TEACHER, at('/links'), 'All my links'),
  view(TEACHER, at('/school/entry'), 'The school’s entry rules'),
  view(TEACHER, (school) => `/desk/${school.classOf('N3').link.id}`, N3, `Desk: ${N3}`),
  view(OFFICE, at('/school/registers'), 'What becomes of registers', 'Registers'),
  view(OFFICE, at('/school/people'), 'People'),
  view(OFFICE, at('/school/sign-in'), 'How people sign in'),
  view(OFFICE, at('/school/happened'), 'What happened'),
  view(OFFICE, person('Ottoline Marsh'), 'Ottoline Marsh'),
];

export const teachersViews: View[] = VIEWS.filter((v) => v.who === TEACHER);
