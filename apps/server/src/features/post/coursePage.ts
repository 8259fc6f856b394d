import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import type { Listed } from '../../outside/courseSite.js';
import { OutsideError } from '../../outside/outsideError.js';
import { siteOfClass } from './store.js';

const inOrder = (a: Listed, b: Listed): number => (a.position ?? 0) - (b.position ?? 0);

/** The class period's course page, as the site has it just now; trouble is said, not thrown, for the composer goes on without. */
export async function coursePage(glen: Glen, classId: number): Promise<Answer<'coursePage'>> {
  const { ref } = (await siteOfClass(glen.db, classId))!;
  const { courseSite } = glen;
  if (!courseSite) return { sections: [], trouble: null };
  try {
    const [sections, items] = await Promise.all([
      courseSite.list(ref, 'section'),
      courseSite.list(ref, 'item'),
    ]);
    return {
      sections: sections.sort(inOrder).map((s) => ({
        key: s.key,
        title: s.title ?? '',
        ours: s.key.startsWith('glen-'),
        items: items
          .filter((i) => i.section === s.key)
          .sort(inOrder)
          .map((i) => ({ key: i.key, title: i.title ?? '' })),
      })),
      trouble: null,
    };
  } catch (error) {
    if (!(error instanceof OutsideError)) throw error;
    return { sections: [], trouble: error.message };
  }
}
