import { createTransport } from 'nodemailer';
import type { Settings } from '../config/settings.js';

/** What sends mail. */
export type Mail = (to: string, subject: string, text: string) => Promise<void>;

/** Sends plain mail by SMTP as it is set; nothing where it is not. A server of mail that does not answer is given up. */
export function mailOf({ mail }: Settings): Mail | undefined {
  if (!mail) return undefined;
  const patience = 10_000;
  const transport = createTransport(mail.url, {
    from: mail.from,
  });
  const limits = { connectionTimeout: patience, greetingTimeout: patience, socketTimeout: patience };
  Object.assign(transport.options, limits);
  return async (to, subject, text) => {
    await transport.sendMail({ to, subject, text });
  };
}
