/**
 * Asks, and takes what is answered unless it has been asked again since: answers may overtake each other,
 * and an older one would be drawn over what is so by now.
 */
export function newest(ask, take) {
  let asked = 0;
  return async () => {
    const own = ++asked;
    const answer = await ask();
    if (own === asked) await take(answer);
  };
}
