interface PictureInPicture {
  requestWindow: (options: { width: number; height: number }) => Promise<Window>;
}

const SIZE = { width: 340, height: 560 };
const pictureInPicture = (): PictureInPicture | undefined =>
  (window as unknown as { documentPictureInPicture?: PictureInPicture }).documentPictureInPicture;

/** A window that stays on top, dressed as this one, or null where the browser has none; then a narrow window is opened instead. */
export async function openSmallWindow(linkId: number): Promise<Window | null> {
  try {
    const small = await pictureInPicture()?.requestWindow(SIZE);
    if (small) {
      for (const node of document.querySelectorAll('link[rel="stylesheet"], style'))
        small.document.head.append(node.cloneNode(true));
      small.document.documentElement.lang = 'en';
      return small;
    }
  } catch {
    /* The browser has it and will not open one now: the narrow window does as well. */
  }
  window.open(
    `/desk/${linkId}/small`,
    `glen-desk-${linkId}`,
    `popup,width=${SIZE.width},height=${SIZE.height}`,
  );
  return null;
}
