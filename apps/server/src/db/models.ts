import type { Sequelize } from 'sequelize';
import { defineAccount } from './models/Account.js';
import { defineClassPeriod } from './models/ClassPeriod.js';
import { defineClassStaff } from './models/ClassStaff.js';
import { defineMovingIn } from './models/MovingIn.js';
import { definePasswordAddress } from './models/PasswordAddress.js';
import { defineGuardian } from './models/Guardian.js';
import { definePerson } from './models/Person.js';
import { definePersonRole } from './models/PersonRole.js';
import { definePersonWord } from './models/PersonWord.js';
import { defineRollEntry } from './models/RollEntry.js';
import { defineRollLeft } from './models/RollLeft.js';
import { defineSchool } from './models/School.js';

/** The tables of a database as models, with what belongs to what. Each database has its own. */
export function defineModels(sequelize: Sequelize) {
  const models = {
    School: defineSchool(sequelize),
    MovingIn: defineMovingIn(sequelize),
    Person: definePerson(sequelize),
    PersonRole: definePersonRole(sequelize),
    PersonWord: definePersonWord(sequelize),
    Guardian: defineGuardian(sequelize),
    Account: defineAccount(sequelize),
    PasswordAddress: definePasswordAddress(sequelize),
    ClassPeriod: defineClassPeriod(sequelize),
    ClassStaff: defineClassStaff(sequelize),
    RollEntry: defineRollEntry(sequelize),
    RollLeft: defineRollLeft(sequelize),
  };
  models.Person.hasMany(models.Account, { foreignKey: 'person_id', as: 'accounts' });
  models.Person.hasMany(models.PersonRole, { foreignKey: 'person_id', as: 'roles' });
  models.Account.belongsTo(models.Person, { foreignKey: 'person_id', as: 'person' });
  models.PasswordAddress.belongsTo(models.Account, { foreignKey: 'account_id', as: 'account' });
  return models;
}

export type Models = ReturnType<typeof defineModels>;
