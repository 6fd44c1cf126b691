/** A backup that is kept on the server. */
export interface BackupInfo {
  readonly name: string;
  readonly at: string;
  readonly bytes: number;
}

export interface BackupsAnswer {
  /** The server makes one every day. */
  readonly automatic: boolean;
  /** Newest first. */
  readonly kept: readonly BackupInfo[];
  /** The last one is more than two days old, or there never was one. */
  readonly tooOld: boolean;
  /** Why the last one did not come about. */
  readonly failed: string | null;
}

/** A line of the answer while a backup is brought back; the last one has `entries` or `problem`. */
export interface BroughtLine {
  readonly doing?: string;
  /** Rows written, of how many. */
  readonly done?: number;
  readonly of?: number;
  /** It is all there: the number that the book has come to. */
  readonly entries?: number;
  readonly problem?: string;
}
