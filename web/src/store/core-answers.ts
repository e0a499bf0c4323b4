import { skipToken } from '@reduxjs/toolkit/query/react';
import type { ReferenceHit } from '../ports/core.ts';
import type { PracticeResult } from '../ports/practice.ts';
import { coreApi } from './core-api.ts';
import { laterMiddleware, reducer } from './store.ts';

export type { PracticeResult, ReferenceHit };

// The first screen asks nothing of the core: its answers join the store when something does.
laterMiddleware.addMiddleware(coreApi.middleware);
/** Reads what the core has answered, for a selector that is not a hook's own. */
export const ofCore = reducer.inject(coreApi).selector;

export const { useAssessQuery, useCodePageQuery, usePracticeResultQuery, useSearchQuery } = coreApi;
export { skipToken };
