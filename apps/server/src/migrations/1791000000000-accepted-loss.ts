import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';

/** A loss is accepted by crop: a bushel of beans is not a bushel of corn. What was set was of corn. */
export class AcceptedLoss1791000000000 implements MigrationInterface {
  name = 'AcceptedLoss1791000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE combine_profiles_accepted_loss (
      farm_id ${ID} NOT NULL,
      id ${ID} NOT NULL,
      \`name\` VARCHAR(40) NOT NULL,
      \`value\` DOUBLE NOT NULL,
      PRIMARY KEY (farm_id, id, name),
      FOREIGN KEY (farm_id, id) REFERENCES combine_profiles (farm_id, id)
    ) ENGINE=InnoDB`);
    await runner.query(
      `INSERT INTO combine_profiles_accepted_loss SELECT farm_id, id, 'corn', acceptable_loss FROM combine_profiles WHERE acceptable_loss IS NOT NULL`,
    );
    await runner.query('ALTER TABLE combine_profiles ADD COLUMN accepted_loss_given BOOLEAN NOT NULL DEFAULT FALSE');
    await runner.query('UPDATE combine_profiles SET accepted_loss_given = acceptable_loss IS NOT NULL');
    await runner.query(
      'ALTER TABLE combine_profiles DROP COLUMN acceptable_loss, ALTER COLUMN accepted_loss_given DROP DEFAULT',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE combine_profiles ADD COLUMN acceptable_loss DOUBLE NULL');
    await runner.query(
      `UPDATE combine_profiles p JOIN combine_profiles_accepted_loss a ON a.farm_id = p.farm_id AND a.id = p.id AND a.name = 'corn' SET p.acceptable_loss = a.value`,
    );
    await runner.query('ALTER TABLE combine_profiles DROP COLUMN accepted_loss_given');
    await runner.query('DROP TABLE combine_profiles_accepted_loss');
  }
}
