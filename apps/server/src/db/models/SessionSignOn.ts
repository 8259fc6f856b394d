import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { code, idOf, longText } from './columns.js';

/** Who signed on at a provider for a browser's session, so that signing out there ends it here, and the other way round. */
interface SessionSignOnRow extends Model<
  InferAttributes<SessionSignOnRow>,
  InferCreationAttributes<SessionSignOnRow>
> {
  session_id: number;
  issuer: string;
  subject: string;
  /** The provider's own session (`sid`), where it told of one. */
  provider_session: string | null;
  /** Says to the provider who is to be signed out there. */
  id_token: string;
}

export const defineSessionSignOn = (sequelize: Sequelize): ModelStatic<SessionSignOnRow> =>
  sequelize.define<SessionSignOnRow>(
    'SessionSignOn',
    {
      session_id: idOf('browser_sessions', { primaryKey: true, onDelete: 'CASCADE' }),
      issuer: code(255, { primaryKey: true }),
      subject: code(255),
      provider_session: code(255, { allowNull: true }),
      id_token: longText(),
    },
    {
      tableName: 'session_sign_ons',
      timestamps: false,
      indexes: [{ name: 'by_subject', fields: ['issuer', 'subject'] }],
    },
  );
