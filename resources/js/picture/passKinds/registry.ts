/** The kinds of pass. A new one is a file beside these and a line here, as in the core's PassKind. */
import type { ContentData } from '../../api/generated';
import { paint } from './paint';
import type { PassKind } from './passKind';
import { tint } from './tint';
import { tone } from './tone';

const KINDS: Record<ContentData['kind'], PassKind> = { tone, tint, paint };

export const passKindOf = ({ kind }: Pick<ContentData, 'kind'>): PassKind => KINDS[kind];
