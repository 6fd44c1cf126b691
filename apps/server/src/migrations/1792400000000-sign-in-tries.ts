import type { MigrationInterface, QueryRunner } from 'typeorm';

const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin';

/** Wrong sign-ins, counted for all servers together; of addresses and accounts only fingerprints are kept. */
export class SignInTries1792400000000 implements MigrationInterface {
  name = 'SignInTries1792400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE sign_in_tries (
      of_hash ${HASH} NOT NULL,
      tries INT UNSIGNED NOT NULL,
      since_ms BIGINT NOT NULL,
      PRIMARY KEY (of_hash),
      KEY by_time (since_ms)
    ) ENGINE=InnoDB`);
    await runner.query(`CREATE TABLE sign_in_known (
      of_hash ${HASH} NOT NULL,
      at_ms BIGINT NOT NULL,
      PRIMARY KEY (of_hash),
      KEY by_time (at_ms)
    ) ENGINE=InnoDB`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE sign_in_known');
    await runner.query('DROP TABLE sign_in_tries');
  }
}
