export const ID = 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin';
export const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/** A log as migrations since 1791200000000 make it: its own columns between those that every log has. */
export const logTable = (table: string, columns: string, keys = ''): string => `CREATE TABLE ${table} (
      farm_id ${ID} NOT NULL,
      id ${ULID} NOT NULL,
      at_ms BIGINT NOT NULL,
      season SMALLINT NOT NULL,
      by_name VARCHAR(120) NOT NULL,
      voided BOOLEAN NOT NULL DEFAULT FALSE,
      ${columns},
      PRIMARY KEY (farm_id, id),
      KEY by_season (farm_id, season, at_ms),
      FOREIGN KEY (farm_id) REFERENCES farms (id)${keys}
    ) ENGINE=InnoDB`;

export const OF_PLACE = ',\n      FOREIGN KEY (farm_id, place_id) REFERENCES places (farm_id, id)';
