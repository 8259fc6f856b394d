import {
  layerOf,
  presentsInWords,
  resolveRules,
  sessionAtDoor,
  type RuleLayer,
  type KeptRules,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isOffice } from '../../http/access.js';
import type { Who } from '../../http/who.js';
import { mayChange } from '../school/classItem.js';
import { classById } from '../school/classes.sql.js';
import { presentersAt } from '../audience/presenterStore.js';
import { hostsAndPresenters } from '../audience/store.js';
import { staffOf } from '../school/store.js';
import { rulesOfClass, rulesOfLink } from './layers.js';
import { anyLesson, settingOf } from './setting.js';
import { datesOfLink, schoolLayer, teacherLayer } from './store.js';

interface Layered {
  version: number;
  layers: RuleLayer[];
  mayEdit: boolean;
}

/** Whose the rules are; null where they are no link's alone. */
interface About {
  linkId: number | null;
  classId: number | null;
  seriesId?: number;
  key?: string | undefined;
  /** Who asks, where a link may be others' alone. */
  by?: number;
}

const NOBODYS: About = { linkId: null, classId: null };

/** What the screens ask beside the layers: the next door's times, the people's names, what the rules are for. */
async function describe(
  glen: Glen,
  { version, layers, mayEdit }: Layered,
  about: About,
): Promise<Answer<'rules'>> {
  const { rules } = resolveRules(layers);
  const [staff, teachers, dates, named, setting] = await Promise.all([
    about.linkId === null ? [] : hostsAndPresenters(glen.db, about.linkId),
    about.classId === null ? [] : staffOf(glen.db, about.classId),
    about.linkId === null ? [] : datesOfLink(glen.db, about.linkId),
    about.linkId === null ? [] : presentersAt(glen.db, about.linkId),
    about.linkId === null ? anyLesson(glen) : settingOf(glen, about.linkId),
  ]);
  const meant = dates.filter(
    (d) =>
      (about.seriesId === undefined || d.series_id === about.seriesId) &&
      (about.key === undefined || d.key_date === about.key),
  );
  const next = sessionAtDoor(
    meant.map((d) => ({ start: d.start_at, end: d.end_at, status: d.status })),
    rules,
    glen.clock.school(),
  );
  const hosts = staff.filter((s) => !s.presents);
  return {
    version,
    mayEdit: mayEdit && (about.by === undefined || hosts.some((s) => s.id === about.by)),
    layers,
    next: next && { opens: next.opens, closes: next.closes },
    hosts: hosts.map((s) => s.name),
    presenters: staff.filter((s) => s.presents).map((s) => s.name),
    leftOut: teachers.filter((t) => !staff.some((s) => s.id === t.id)).map((t) => t.name),
    takesOver: named
      .filter((one) => one.takesOver)
      .map(
        (one) =>
          `${one.name}, ${presentsInWords({ ...one, takesOver: false }, { series: one.seriesTitle })}`,
      ),
    setting,
  };
}

export async function describeRules(
  glen: Glen,
  classId: number,
  who: Who,
): Promise<Answer<'rules'>> {
  const [{ version, layers }, klass] = await Promise.all([
    rulesOfClass(glen.db, classId),
    classById(glen.db, classId, who.person!.id),
  ]);
  return describe(
    glen,
    { version, layers, mayEdit: mayChange(klass) },
    {
      linkId: klass!.link_id,
      classId,
    },
  );
}

export async function describeLinkRules(
  glen: Glen,
  linkId: number,
  who: Who,
): Promise<Answer<'rules'>> {
  const { version, layers, classId } = await rulesOfLink(glen.db, linkId);
  const klass = await classById(glen.db, classId, who.person!.id);
  return describe(
    glen,
    { version, layers, mayEdit: mayChange(klass) },
    {
      linkId,
      classId,
      by: who.person!.id,
    },
  );
}

export interface SeriesLayers {
  id: number;
  class_id: number;
  link_id: number;
  version: number;
  rules: KeptRules;
  date_rules: Record<string, KeptRules>;
}

/** The layers of a series, or with a key of that date. */
export async function describeSeriesRules(
  glen: Glen,
  series: SeriesLayers,
  key: string | undefined,
  who: Who,
): Promise<Answer<'rules'>> {
  const { layers } = await rulesOfLink(glen.db, series.link_id);
  const klass = await classById(glen.db, series.class_id, who.person!.id);
  const all = [
    ...layers,
    layerOf('series', series.rules),
    ...(key === undefined ? [] : [layerOf('occurrence', series.date_rules[key] ?? {})]),
  ];
  return describe(
    glen,
    { version: series.version, layers: all, mayEdit: mayChange(klass) },
    {
      linkId: series.link_id,
      classId: series.class_id,
      seriesId: series.id,
      key,
      by: who.person!.id,
    },
  );
}

export async function describeSchoolRules(glen: Glen, who: Who): Promise<Answer<'rules'>> {
  const { rules, locked, version } = await schoolLayer(glen.db);
  return describe(
    glen,
    { version, layers: [layerOf('school', rules, locked)], mayEdit: isOffice(who) },
    NOBODYS,
  );
}

export async function describeOwnRules(glen: Glen, who: Who): Promise<Answer<'rules'>> {
  const [school, own] = await Promise.all([
    schoolLayer(glen.db),
    teacherLayer(glen.db, who.person!.id),
  ]);
  const layers = [layerOf('school', school.rules, school.locked), layerOf('teacher', own!.rules)];
  return describe(glen, { version: own!.version, layers, mayEdit: true }, NOBODYS);
}
