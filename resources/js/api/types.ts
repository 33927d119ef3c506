/** What the API sends, by subject. All times are milliseconds unless the name says otherwise. */

export type { Answers } from './types/answers';
export * from './types/captions';
export * from './types/films';
export * from './types/lessons';
export * from './types/people';
export * from './types/pictures';
export * from './types/script';
export * from './types/site';
export * from './types/style';
export * from './types/takes';
