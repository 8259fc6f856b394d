import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { idOf, instant, looseId, oneOf, ownId, small, text, version } from './columns.js';

/** What has become of times that were offered: a session, none that suits, or nothing, as it was called off. */
export const POLL_STATES = ['open', 'booked', 'nobody', 'stopped'] as const;

/** Times that are offered to guests to choose from, until all have answered or it closes. */
export interface PollRow extends Model<InferAttributes<PollRow>, InferCreationAttributes<PollRow>> {
  id: CreationOptional<number>;
  class_id: number;
  title: string;
  minutes: number;
  /** By school time. */
  closes_at: string;
  state: (typeof POLL_STATES)[number];
  series_id: CreationOptional<number | null>;
  /** Which of its times it has become. */
  time_id: CreationOptional<number | null>;
  made_by: number;
  made_at: string;
  version: CreationOptional<number>;
}

export const definePoll = (sequelize: Sequelize): ModelStatic<PollRow> =>
  sequelize.define<PollRow>(
    'Poll',
    {
      id: ownId(),
      class_id: idOf('class_periods'),
      title: text(200),
      minutes: small(),
      closes_at: instant('closes_at'),
      state: oneOf([...POLL_STATES]),
      series_id: idOf('series', { allowNull: true, onDelete: 'SET NULL' }),
      time_id: looseId({ allowNull: true }),
      made_by: idOf('people'),
      made_at: instant('made_at'),
      version: version(),
    },
    {
      tableName: 'polls',
      timestamps: false,
      indexes: [{ name: 'by_class', fields: ['class_id'] }],
    },
  );
