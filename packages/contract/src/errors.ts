/** Every error of the server: a code for programs, a sentence for people, and where it is. */
export interface ErrorAnswer {
  readonly statusCode: number;
  readonly code: string;
  readonly message: string;
  readonly issues?: readonly ErrorIssue[];
  readonly requestId?: string;
}

export interface ErrorIssue {
  /** Index of the entry in the batch, where there is one. */
  readonly index?: number;
  readonly entry?: string;
  readonly field?: string;
  readonly code: string;
  readonly message: string;
}
