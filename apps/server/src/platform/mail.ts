import { Inject, Injectable, Logger } from '@nestjs/common';
import { createTransport, type Transporter } from 'nodemailer';
import { CONFIG, type Config } from './config.js';

/** A mail server that does not answer must not hold up whoever sends. */
const PATIENCE_MS = 10_000;

/** Hands mail to the server that somebody named; without one there is none, and links are handed over by hand. */
@Injectable()
export class Mail {
  private readonly transport: Transporter | null;

  constructor(@Inject(CONFIG) private readonly config: Config) {
    this.transport =
      config.mail === null
        ? null
        : createTransport({
            url: config.mail.url,
            connectionTimeout: PATIENCE_MS,
            greetingTimeout: PATIENCE_MS,
            socketTimeout: PATIENCE_MS,
          });
  }

  get on(): boolean {
    return this.transport !== null;
  }

  /** Whether the mail server took it. What it says against it goes to the log, without what was to be sent. */
  async send(to: string, subject: string, text: string): Promise<boolean> {
    if (this.transport === null || this.config.mail === null) return false;
    try {
      await this.transport.sendMail({ from: this.config.mail.from, to, subject, text });
      return true;
    } catch (error) {
      new Logger('Mail').warn(`a mail was not taken: ${(error as { code?: string }).code ?? (error as Error).name}`);
      return false;
    }
  }
}
