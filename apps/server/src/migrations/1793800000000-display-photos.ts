import type { MigrationInterface, QueryRunner } from 'typeorm';
import { ID, logTable, OF_PLACE, ULID } from './log-table.js';

/** Displays of scales and testers that were photographed, and what they were typed as. */
export class DisplayPhotos1793800000000 implements MigrationInterface {
  name = 'DisplayPhotos1793800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      logTable(
        'display_photos',
        `photo ${ULID} NOT NULL, place_id ${ID} NOT NULL, shows VARCHAR(8) NOT NULL`,
        OF_PLACE,
      ),
    );
    await runner.query(logTable('displays_typed', `display_id ${ULID} NOT NULL, \`as\` VARCHAR(40) NOT NULL`));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE displays_typed');
    await runner.query('DROP TABLE display_photos');
  }
}
