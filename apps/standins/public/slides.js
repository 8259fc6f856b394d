// Sample slides, drawn from lines of text; number 1 is the first.
const SLIDES = [
  ['Tide table', 'Wed 14 Oct', '03:12   1.9 m', '09:26   0.4 m', '15:38   2.1 m', '21:51   0.3 m'],
  ['Chart symbols', '(+)  rock awash', '>|<  wreck', '/T\\  light', '~~~  tide rip'],
  [
    'Rules of the road',
    'Port gives way to starboard.',
    'Windward gives way to leeward.',
    'Overtaking keeps clear.',
  ],
  ['Three knots', 'Bowline', 'Sheet bend', 'Clove hitch'],
];

export function slide(number) {
  const [title, ...lines] = SLIDES[number - 1];
  const box = document.createElement('div');
  box.className = 'slide';
  box.append(
    Object.assign(document.createElement('h3'), { textContent: title }),
    ...lines.map((line) => Object.assign(document.createElement('p'), { textContent: line })),
  );
  return box;
}
