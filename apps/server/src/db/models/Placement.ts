import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Thing } from '../../outside/courseSite.js';
import type { PostPlaceRow } from './PostPlace.js';
import { code, flag, idOf, instant, json, looseId, oneOf, ownId, version } from './columns.js';

/** What a place that is filled by hand is given. */
interface Hand {
  kind: 'hand';
  html: string;
  text: string;
  markdown: string;
}
/** What is written to each of some people. */
export interface MailBody {
  kind: 'mail';
  subject: string;
  html: string;
  text: string;
  /** To whom: people, by their numbers. */
  readers: number[];
  withCalendar: boolean;
  /** Its session is cancelled, which they hear of otherwise: nobody is written to any more. */
  isOff: boolean;
}
export type Body = Thing | Hand | MailBody;

/** What stands at a place, or ought to: for one occurrence, or for the lasting link. */
export interface PlacementRow extends Model<
  InferAttributes<PlacementRow>,
  InferCreationAttributes<PlacementRow>
> {
  id: CreationOptional<number>;
  post_id: number;
  place_id: number;
  part: CreationOptional<'thing' | 'section'>;
  /** 0 for the lasting link. */
  occurrence_id: CreationOptional<number>;
  wish: 'out' | 'struck' | 'gone';
  /** What the place is given. */
  body: Body;
  due_at: string;
  revision: CreationOptional<number>;
  /** The last one that the place has confirmed. */
  sent_revision: CreationOptional<number>;
  sent_body: CreationOptional<Body | null>;
  code: CreationOptional<string>;
  sent_code: CreationOptional<string | null>;
  out_since: CreationOptional<string | null>;
  /** Since when it reads as it does. */
  changed_at: CreationOptional<string | null>;
  /** Taken down there by hand. */
  dropped: CreationOptional<boolean>;
  /** The site no longer lists it. */
  missing_since: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  place?: NonAttribute<PostPlaceRow>;
}

export const definePlacement = (sequelize: Sequelize): ModelStatic<PlacementRow> =>
  sequelize.define<PlacementRow>(
    'Placement',
    {
      id: ownId(),
      post_id: idOf('posts'),
      place_id: idOf('post_places'),
      part: oneOf(['thing', 'section'], { defaultValue: 'thing' }),
      occurrence_id: looseId({ defaultValue: 0 }),
      wish: oneOf(['out', 'struck', 'gone']),
      body: json(),
      due_at: instant('due_at'),
      revision: version(),
      sent_revision: version({ defaultValue: 0 }),
      sent_body: json({ allowNull: true }),
      code: code(40, { defaultValue: '' }),
      sent_code: code(40, { allowNull: true }),
      out_since: instant('out_since', { allowNull: true }),
      changed_at: instant('changed_at', { allowNull: true }),
      dropped: flag('dropped'),
      missing_since: instant('missing_since', { allowNull: true }),
    },
    {
      tableName: 'placements',
      timestamps: false,
      indexes: [
        { name: 'one_each', fields: ['place_id', 'part', 'occurrence_id'], unique: true },
        { name: 'by_post', fields: ['post_id'] },
      ],
    },
  );
