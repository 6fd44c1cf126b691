import type { LinkInfo } from '@fanega/contract';
import { Ago } from './ago';

/** How often a link was opened, and when last. @param wall by the wall's clock, where a demo's would tell otherwise */
export const LinkOpened = ({ link, wall = false }: { link: LinkInfo; wall?: boolean }) =>
  link.openedAt === null ? (
    <>never opened</>
  ) : (
    <>
      opened {link.opened === 1 ? 'once' : `${link.opened} times`}, last <Ago at={link.openedAt} wall={wall} />
    </>
  );
