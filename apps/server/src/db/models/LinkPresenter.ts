import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Weekday } from '@glen/core';
import type { PersonRow } from './Person.js';
import { fixedCode, flag, idOf, looseId, ownId } from './columns.js';

/** Somebody who presents at a link: always, at the dates of a series or at one of them; perhaps on one weekday alone, from a date or until one. */
export interface LinkPresenterRow extends Model<
  InferAttributes<LinkPresenterRow>,
  InferCreationAttributes<LinkPresenterRow>
> {
  id: CreationOptional<number>;
  link_id: number;
  person_id: number;
  /** 0: always. */
  series_id: CreationOptional<number>;
  /** Empty: all dates of the series. */
  key_date: CreationOptional<string>;
  /** Empty: on any. */
  weekday: CreationOptional<Weekday | ''>;
  /** Dates, both included; empty: without a bound. */
  from_date: CreationOptional<string>;
  until_date: CreationOptional<string>;
  /** While no host is in they open, let in and close. */
  takes_over: CreationOptional<boolean>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow>;
}

export const defineLinkPresenter = (sequelize: Sequelize): ModelStatic<LinkPresenterRow> =>
  sequelize.define<LinkPresenterRow>(
    'LinkPresenter',
    {
      id: ownId(),
      link_id: idOf('links'),
      person_id: idOf('people'),
      series_id: looseId({ defaultValue: 0 }),
      key_date: fixedCode(10, { defaultValue: '' }),
      weekday: fixedCode(2, { defaultValue: '' }),
      from_date: fixedCode(10, { defaultValue: '' }),
      until_date: fixedCode(10, { defaultValue: '' }),
      takes_over: flag('takes_over'),
    },
    {
      tableName: 'link_presenters',
      timestamps: false,
      indexes: [
        {
          name: 'one_of_each',
          fields: [
            'link_id',
            'person_id',
            'series_id',
            'key_date',
            'weekday',
            'from_date',
            'until_date',
          ],
          unique: true,
        },
        { name: 'by_series', fields: ['series_id'] },
      ],
    },
  );
