export { bulletinSchema, readBulletins, type Bulletin, type BulletinsResult } from './bulletin.ts';
export { matchBulletins, queryOf, type BulletinMatch, type BulletinQuery } from './matching.ts';
