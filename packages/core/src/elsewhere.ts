/** Links in other forms: pages, a cartridge, pictures. Apart, so that only the page that makes them loads it. */
export { shelfOf, type Shelf, type ShelfLink } from './elsewhere/shelf.js';
export { linksPage, linksPart } from './elsewhere/linksPage.js';
export { escapeHtml } from './post/blocks.js';
export { cartridgeFiles } from './elsewhere/cartridge.js';
export {
  PICTURES,
  bannerHtml,
  linesOf,
  picture,
  type Pictured,
  type PictureKind,
  type QrSquares,
} from './elsewhere/pictures.js';
