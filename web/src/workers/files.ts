/** What reads the files that owners bring; fetched by the core's worker when the first of them comes. */
export { readCaseFile } from '@pincer/core/case';
export { decodeFileText } from '@pincer/core/link';
