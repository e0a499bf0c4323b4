import type { CaseRecord } from '@pincer/core/case';
import { PRACTICE_VEHICLES, openTask, sealTask, stillWrong, type PracticeTask } from '@pincer/core/practice';
import type { Vehicle } from '@pincer/core/vehicle';
import { CARS, modulesOf, practiceFaults } from '@pincer/simulator';
import { now } from '../clock.ts';
import type { StandInSetup } from '../ports/stand-in.ts';
import { newId } from './ids.ts';
import { keepCase, keepVehicle } from './keep.ts';
import { connectStandIn, type ConnectOutcome } from './link-actions.ts';
import { linkSlice } from './link-slice.ts';
import { record } from './logbook-actions.ts';
import type { AppThunk } from './store.ts';
import { caseAndVehicle } from './logbook-selectors.ts';

/** What is wrong yet with the practice car of a case; null where the case is none of the practice bay. */
export function practiceOf(
  caseRecord: CaseRecord | undefined,
): { task: PracticeTask; wrong: PracticeTask['parts'] } | null {
  const task = caseRecord?.practice === undefined ? null : openTask(caseRecord.practice);
  return task && caseRecord ? { task, wrong: stillWrong(task, caseRecord.entries) } : null;
}

/** Opens a case of the practice bay, with what its driver tells. @returns its id. */
export function startPractice(task: PracticeTask): AppThunk<Promise<string>> {
  return async (dispatch) => {
    const plan = CARS.find((c) => c.id === task.car);
    const map = modulesOf(task.car);
    const vehicle: Vehicle = {
      ...PRACTICE_VEHICLES[task.car],
      id: newId('veh'),
      moduleMap: { ...map, modules: map.modules.map((m) => ({ ...m })) },
      ...(plan ? { vin: plan.identity.vin } : {}),
    };
    await dispatch(keepVehicle(vehicle));
    const fresh: CaseRecord = {
      id: newId('case'),
      vehicle: vehicle.id,
      title: 'Practice',
      openedAt: now().toISOString(),
      practice: sealTask(task),
      entries: [],
    };
    await dispatch(keepCase(fresh));
    for (const lamp of task.lamps) await dispatch(record(fresh.id, { kind: 'lamp', ...lamp }));
    for (const sign of task.signs)
      await dispatch(record(fresh.id, { kind: 'observation', observation: sign, answer: 'yes' }));
    const text = `The driver tells: ${task.complaint} Nothing else was noticed.`;
    await dispatch(record(fresh.id, { kind: 'note', text }));
    return fresh.id;
  };
}

/** Plugs the practice adapter into the practice car of a case, as it stands after the repairs so far. */
export function connectPractice(caseId: string): AppThunk<Promise<ConnectOutcome>> {
  return async (dispatch, getState) => {
    const practice = practiceOf(getState().logbook.cases.entities[caseId]);
    if (!practice) return 'failed';
    const { task } = practice;
    const setup: StandInSetup = {
      car: task.car,
      fault: null,
      seed: task.seed,
      temperament: 'quick',
      isWet: true,
      isKeyOff: false,
      practice: {
        faults: practiceFaults(task.parts.map((p) => p.fault)),
        comesAndGoes: task.kind === 'comes-and-goes',
      },
    };
    const outcome = await dispatch(connectStandIn(caseId, setup));
    await dispatch(repairPracticeCar(caseId));
    return outcome;
  };
}

/** Lets the practice car be as the log has it: what was repaired rightly is gone. */
export function repairPracticeCar(caseId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { standIn }) => {
    const { logbook, link } = getState();
    const practice = practiceOf(logbook.cases.entities[caseId]);
    if (!practice || link.caseId !== caseId || !link.standIn) return;
    const left = practiceFaults(practice.wrong.map((p) => p.fault));
    dispatch(linkSlice.actions.standInChanged(await standIn.mendTo(left)));
  };
}

/** What a check finds at the practice car. @returns id of the outcome; null where it has no answer. */
export function askPracticeCar(caseId: string, check: string): AppThunk<Promise<string | null>> {
  return async (_, getState, { practice: port }) => {
    const { record: found, vehicle } = caseAndVehicle(getState().logbook, caseId);
    const practice = practiceOf(found);
    if (!found || !practice || !vehicle) return null;
    return port.answer({
      task: practice.task,
      vehicle,
      check,
      wrong: practice.wrong.map((p) => p.cause),
      again: found.entries.filter((e) => e.kind === 'check' && e.check === check).length,
      at: now().toISOString(),
    });
  };
}

/** Ends a task: from here on what it was is shown. */
export function endPractice(caseId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const found = getState().logbook.cases.entities[caseId];
    const practice = practiceOf(found);
    if (!found || !practice || found.entries.some((e) => e.kind === 'closed')) return;
    const isSolved = practice.wrong.length === 0 && practice.task.parts.length > 0;
    await dispatch(record(caseId, { kind: 'closed', outcome: isSolved ? 'fixed' : 'given-up' }));
  };
}
