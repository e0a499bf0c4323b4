import { useNavigate } from 'react-router';
import { scanCar } from '../store/link-actions.ts';
import { connectPractice } from '../store/practice-actions.ts';
import { useAppDispatch } from '../store/store.ts';
import { BUTTON, SHEET } from '../ui/classes.ts';
import { useTell } from '../store/use-tell.ts';

/** The way to the practice car: nothing is chosen, for what is wrong with it is not to be known. */
export function PracticeConnect({ caseId, isBusy }: { caseId: string; isBusy: boolean }) {
  const tell = useTell();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const connect = async (alsoRead: boolean) => {
    if ((await dispatch(connectPractice(caseId))) !== 'talking' || !alsoRead) return;
    void navigate(`/case/${caseId}/read`);
    await dispatch(scanCar(caseId));
  };
  return (
    <section aria-labelledby="practice-car" className={`${SHEET} space-y-3 p-4`}>
      <h3 id="practice-car" className="text-lg">
        {tell('The practice {car}')}
      </h3>
      <p>
        It stands with the ignition on, and the adapter is in its socket. Readings come from its simulated
        engine and control units; checks are answered where you do them.
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className={BUTTON.solid} disabled={isBusy} onClick={() => void connect(true)}>
          Connect and read
        </button>
        <button type="button" className={BUTTON.plain} disabled={isBusy} onClick={() => void connect(false)}>
          Connect
        </button>
      </div>
    </section>
  );
}
