import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { RichText } from '@glen/core';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { LinkRow } from './Link.js';
import type { PostRow } from './Post.js';
import { flag, idOf, json, oneOf, ownId } from './columns.js';

/** What a place is like, beside where it is. */
export interface PlaceShape {
  readers: 'class' | 'audience' | { groupId: number };
  words: string | RichText | null;
  /** Blank, or left out in older rows: the same as everywhere. */
  linkWords?: string;
  title: string;
  section: { key: string } | { title: string } | null;
  position: number;
  /** Among the items under a heading of Glen's own; left out in older rows: first. */
  order?: number;
  inText: boolean;
  newTab: boolean;
  name: string;
  /** A letter has its session for calendars along; left out in older rows: it has not. */
  withCalendar?: boolean;
  /** On a course page: below it stands what is there after lessons; left out in older rows: it does not. */
  withAfterLessons?: boolean;
}

/** Where a post is for. */
export interface PostPlaceRow extends Model<
  InferAttributes<PostPlaceRow>,
  InferCreationAttributes<PostPlaceRow>
> {
  id: CreationOptional<number>;
  post_id: number;
  class_id: number;
  link_id: number;
  kind: 'stream' | 'item' | 'calendar' | 'by-hand' | 'mail';
  shape: CreationOptional<PlaceShape>;
  removed: CreationOptional<boolean>;

  // Asked for together with it, where it is.
  post?: NonAttribute<PostRow>;
  classPeriod?: NonAttribute<ClassPeriodRow>;
  link?: NonAttribute<LinkRow>;
}

export const definePostPlace = (sequelize: Sequelize): ModelStatic<PostPlaceRow> =>
  sequelize.define<PostPlaceRow>(
    'PostPlace',
    {
      id: ownId(),
      post_id: idOf('posts'),
      class_id: idOf('class_periods'),
      link_id: idOf('links'),
      kind: oneOf(['stream', 'item', 'calendar', 'by-hand', 'mail']),
      shape: json({ defaultValue: {} }),
      removed: flag('removed'),
    },
    {
      tableName: 'post_places',
      timestamps: false,
      indexes: [
        { name: 'by_post', fields: ['post_id'] },
        { name: 'by_class', fields: ['class_id'] },
        { name: 'by_link', fields: ['link_id'] },
      ],
    },
  );
