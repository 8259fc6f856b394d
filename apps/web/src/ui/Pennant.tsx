import { useId } from 'react';
import type { Pennant as PennantOf } from '@glen/contract';

/** Two tones of each hue, both dark enough for white letters. */
const TONES: Record<string, [string, string]> = {
  loch: ['#2b6170', '#1d4450'],
  moss: ['#4f6d2b', '#38501c'],
  gorse: ['#7d5c00', '#5b4200'],
  berry: ['#93293a', '#6c1c2a'],
  plum: ['#75385f', '#542644'],
  bracken: ['#a8481c', '#7a3312'],
};

/** A class period's hue for its marks elsewhere, in the theme's own tone. */
export const hueOf = ({ hue }: Pick<PennantOf, 'hue'>): string =>
  `var(--${hue in TONES ? hue : 'loch'})`;

/** What lies over the first tone, in a field of 44 by 32. */
const PATTERNS: Record<string, string> = {
  halves: 'M22 0H44V32H22z',
  diagonal: 'M44 0V32H0z',
  stripes: 'M0 8H44V16H0zM0 24H44V32H0z',
  pales: 'M8 0h8v32h-8zM28 0h8v32h-8z',
  saltire: 'M0 0h8L44 26v6h-8L0 6zM44 0h-8L0 26v6h8L44 6z',
  cross: 'M14 0h9v32h-9zM0 12h44v8H0z',
  border: 'M0 0H44V32H0zM6 6V26H38V6z',
  chevron: 'M0 0L22 16L0 32z',
};

/** Letters stay readable where the flag is small. */
const FONT_SIZES = { tiny: 21, small: 19, middle: 14, large: 14 } as const;
const WIDTHS = { tiny: 17, small: 24, middle: 44, large: 58 } as const;

/** The lettered flag of a class period. Its name always stands beside it, so it says nothing to a screen reader. */
export function Pennant({
  pennant,
  size = 'middle',
}: {
  pennant: PennantOf;
  size?: keyof typeof WIDTHS;
}) {
  const clip = useId();
  const [base, over] = TONES[pennant.hue] ?? TONES.loch!;
  const width = WIDTHS[size];
  return (
    <svg
      viewBox="0 0 44 32"
      width={width}
      height={(width * 32) / 44}
      aria-hidden="true"
      className="shrink-0"
    >
      <clipPath id={clip}>
        <path d="M0 0H44L37 16L44 32H0z" />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect width="44" height="32" fill={base} />
        <path d={PATTERNS[pennant.pattern] ?? PATTERNS.halves} fill={over} fillRule="evenodd" />
        <text
          x="19"
          y={size === 'middle' || size === 'large' ? 21 : 23}
          textAnchor="middle"
          fontSize={FONT_SIZES[size]}
          fontWeight="700"
          fill="#fff"
          fontFamily="var(--font-mono)"
        >
          {pennant.letters}
        </text>
      </g>
    </svg>
  );
}
