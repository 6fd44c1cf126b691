import { TOPICS, type Topic } from '@fanega/contract';
import { applyDecorators } from '@nestjs/common';
import { ApiExtension, ApiOkResponse } from '@nestjs/swagger';

interface Declared {
  /** The answer changes with these topics, and is asked for again when one of them does. */
  readonly topics?: readonly Topic[];
  /** A place without a signal opens a page with it: the last answer is kept on the device. */
  readonly keep?: boolean;
  /** The answer goes on with the farm's clock, though nothing is written: it is asked for each time. */
  readonly clock?: boolean;
}

/**
 * What a route answers, by the name of the contract's type (`FarmNow`, `Delivery[]`), and when that is out of date: as long
 * as its topics stand, an answer that does not go on with the clock is the same answer. The OpenAPI description carries it, and the web's
 * types, paths and rules for what a device keeps are made from there.
 */
export function Answers(type: string, { topics = [], keep = false, clock = false }: Declared = {}): MethodDecorator {
  const name = type.replace(/\[\]$/, '');
  const ref = { $ref: `#/components/schemas/${name}` };
  return applyDecorators(
    ApiOkResponse({ schema: type.endsWith('[]') ? { type: 'array', items: ref } : ref }),
    ApiExtension(
      'x-topics',
      topics.filter((topic) => TOPICS.includes(topic)),
    ),
    ApiExtension('x-keep', keep),
    ApiExtension('x-clock', clock),
  );
}
