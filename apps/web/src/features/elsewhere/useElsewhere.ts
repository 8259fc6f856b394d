import QRCode from 'qrcode';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { shelfOf, type Pictured } from '@glen/core/elsewhere';
import { classTitle } from '@glen/core/light';
import type { ClassItem, LinkRow } from '@glen/contract';

export interface Known {
  classes: ClassItem[];
  links: LinkRow[];
  school: string;
}

/** Everybody of its class period may read it. */
const isForAll = ({ audience, classId }: LinkRow): boolean =>
  audience.some((one) => one.kind === 'class' && one.id === classId);

/** The dark squares of an address (medium error correction: a seventh may be lost). */
function squaresOf(address: string): Pictured['qr'] {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
  return { side: modules.size, isDark: (row, column) => modules.get(row, column) === 1 };
}

/** What a link is called away from its class period's page. */
const calledOf = ({ main, label, classTitle: of }: LinkRow): string =>
  main ? of : `${label}, ${of}`;

/** Which class period and links are taken along, as the address of the page says it. */
export function useElsewhere({ classes, links, school }: Known) {
  const [search, setSearch] = useSearchParams();
  const [withOthers, setWithOthers] = useState(false);
  const chosen = classes.find((c) => String(c.id) === search.get('class')) ?? classes[0]!;
  const own = useMemo(
    () => links.filter((link) => link.classId === chosen.id && link.state === 'live'),
    [links, chosen.id],
  );
  const link = own.find((one) => String(one.id) === search.get('link')) ?? own[0];
  const title = classTitle(chosen);
  const shelf = shelfOf(
    { title, school },
    own.map((one) => ({ ...one, isForAll: isForAll(one) })),
    { withOthers },
  );
  const pictured = useMemo(
    () =>
      link && {
        title: calledOf(link),
        school,
        address: link.address,
        qr: squaresOf(link.address),
      },
    [link, school],
  );
  const go = (to: { class?: string; link?: string }): void =>
    setSearch(to.class ? to : { class: String(chosen.id), ...to }, { replace: true });
  return {
    classes,
    chosen,
    shelf,
    own,
    link,
    pictured,
    withOthers,
    setWithOthers,
    hasOthers: own.some((one) => !isForAll(one)),
    go,
  };
}

export type Elsewhere = ReturnType<typeof useElsewhere>;
