import type { School } from './support.js';

/** The views of head and office alone. */
export const officeViews = (school: School): [path: string, shows: string][] => [
  ['/school/people', 'People'],
  ['/school/happened', 'What happened'],
  [`/school/people/${school.person('Ottoline Marsh')}`, 'Ottoline Marsh'],
];

/** Every teacher view, with what shows that it has come. */
export const views = (school: School): [path: string, shows: string][] => {
  const n3 = school.classOf('N3');
  return [
    ['/today', 'Wednesday, 7 sessions'],
    ['/plan', 'Autumn term'],
    ['/plan?view=week', 'Week of Mon 12 Oct'],
    ['/plan/new', 'New session'],
    ['/school', 'School calendar'],
    ['/school/about', 'About the school'],
    ['/classes', '6 class periods'],
    [`/classes/${school.classOf('HE').id}/people`, 'Harbour Evening'],
    ['/account', 'Your account'],
    [`/school/people/${school.person('Ansel Grue')}`, 'Ansel Grue'],
    ['/classes/links', 'The sheet of links'],
    [`/classes/${n3.id}/sessions`, 'Ahead'],
    [`/classes/${n3.id}/entry`, 'So, at the door'],
    [`/classes/${n3.id}/posts`, 'Coastal Navigation, period 3'],
    [`/classes/${school.classOf('R5').id}/roll`, 'Ropework, period 5'],
    [`/classes/${n3.id}/about`, 'Who teaches it'],
    ['/begin', 'Glen'],
    [`/classes/${school.classOf('R5').id}/links?new=Group%20work`, 'A new link'],
    [`/classes/${n3.id}/links/${n3.link.id}`, 'Its addresses'],
    ['/posts', 'Posts'],
    ['/posts?new', 'New post'],
    [`/posts/reach?link=${school.classOf('N6').link.id}`, 'Who sees which link'],
    [`/posts/see-as?class=${school.classOf('R5').id}`, 'What a student sees'],
    ['/links', 'All my links'],
    ['/school/entry', 'The school’s entry rules'],
    [`/desk/${n3.link.id}`, 'Coastal Navigation, period 3'],
  ];
};

/** Whose views they are, and what is seen there: a page for each person. */
export const everybodysViews = (
  school: School,
): [name: string, seen: [path: string, shows: string][]][] => [
  ['Ottoline Marsh', views(school)],
  ['Perpetua Lund', officeViews(school)],
];
