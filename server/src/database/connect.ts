/** The one connection pool to the private MariaDB. */
import { Sequelize } from 'sequelize';

export interface DatabaseAddress {
  host: string;
  port: number;
  user: string;
  password: string;
  database: string;
}

/** Where the start script put the database, from the environment it hands down. */
export function addressFromEnvironment(env: NodeJS.ProcessEnv = process.env): DatabaseAddress {
  const port = Number(env['HAND_LADLE_DB_PORT']);
  const password = env['HAND_LADLE_DB_PASSWORD'];
  if (!port || !password) {
    throw new Error('No database address: start with "npm start", which starts the database too.');
  }
  return {
    host: '127.0.0.1',
    port,
    user: env['HAND_LADLE_DB_USER'] ?? 'handladle',
    password,
    database: env['HAND_LADLE_DB_NAME'] ?? 'handladle',
  };
}

/** A machine that is busy may take its time to open a socket; one that is not there is refused at once. The driver's own is a second. */
const CONNECT_MS = 15_000;

export function connect(address: DatabaseAddress): Sequelize {
  return new Sequelize({
    dialect: 'mariadb',
    host: address.host,
    port: address.port,
    username: address.user,
    password: address.password,
    database: address.database,
    logging: false,
    dialectOptions: { connectTimeout: CONNECT_MS },
    pool: { max: 8, idle: 10_000, acquire: 15_000 },
    define: { underscored: true, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
  });
}
