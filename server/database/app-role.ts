import type { Sequelize } from 'sequelize'
import { QUEUE_SCHEMA } from '../platform/queue-names'

/** Name of the role that the running application uses: it may read and write rows and change no table. */
export const APP_ROLE = 'duckweed_app'

/** Lets the application's role do what it needs, and no more: events are added, and changed only where a person's words are erased. */
export async function grantToApp(owner: Sequelize, password: string): Promise<void> {
  const quoted = owner.escape(password)
  await owner.query(`
    DO $$ BEGIN
      IF NOT EXISTS (SELECT FROM pg_roles WHERE rolname = '${APP_ROLE}') THEN CREATE ROLE ${APP_ROLE} LOGIN; END IF;
    END $$;
    ALTER ROLE ${APP_ROLE} WITH LOGIN PASSWORD ${quoted} NOSUPERUSER NOCREATEDB NOCREATEROLE;
    REVOKE CREATE ON SCHEMA public FROM PUBLIC;
    GRANT USAGE ON SCHEMA public TO ${APP_ROLE};
    GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${APP_ROLE};
    REVOKE UPDATE, DELETE ON job_events, sheet_revisions, photos FROM ${APP_ROLE};
    GRANT EXECUTE ON FUNCTION erase_papers TO ${APP_ROLE};
    GRANT USAGE ON SCHEMA ${QUEUE_SCHEMA} TO ${APP_ROLE};
    GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${QUEUE_SCHEMA} TO ${APP_ROLE};
    REVOKE INSERT, UPDATE, DELETE ON migrations FROM ${APP_ROLE};
  `)
}
