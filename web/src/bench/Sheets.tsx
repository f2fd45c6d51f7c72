import type { Judgement, Trait, View } from '../api/client';
import { useSetFacts } from '../api/hooks';
import { Basket } from './Basket';
import { BeforePick } from './BeforePick';
import { DisposalPlan } from './DisposalPlan';
import { Drawer } from './Drawer';
import { Keys } from './Keys';
import { Ledger } from './Ledger';
import { LookBack } from './LookBack';
import { Obligations } from './Obligations';
import { Photos } from './Photos';
import { PlaceForm } from './PlaceForm';
import { SideBySide } from './SideBySide';
import type { Bench } from './useBench';
import { Wear } from './Wear';
import { Why } from './Why';

export const sheetTitles = {
  open: 'Verdict and what is open',
  dangers: 'Dangers',
  why: 'Why',
  back: 'Looking back',
  place: 'The place and its rules',
  keys: 'Keys',
  basket: 'The basket, item by item',
  pick: 'Before you pick',
  wear: 'Hands, gloves and blade',
  photos: 'Pictures',
  measure: 'Measure in a picture',
  plan: 'What becomes of it',
  together: 'Specimens side by side',
};
export type Sheet = keyof typeof sheetTitles;

type Props = {
  sheet: Sheet | null;
  bench: Bench;
  view: View;
  judgement: Judgement;
  traits: Trait[];
  byId: Map<string, Trait>;
  stand: string;
  onSheet: (s: Sheet | null) => void;
  onTrait: (id: string) => void;
  onStage: () => void;
  onTaken: (value: number, error: number) => void;
};

/** The drawers of the bench: one at a time, never everything at once. */
export function Sheets({
  sheet,
  bench,
  view,
  judgement: j,
  traits,
  byId,
  stand,
  onSheet,
  onTrait,
  onStage,
  onTaken,
}: Props) {
  const facts = useSetFacts(view.id);
  const close = () => onSheet(null);
  const kingdom = view.facts.kingdom || 'plant';
  return (
    <Drawer title={sheet ? sheetTitles[sheet] : ''} open={sheet !== null} onClose={close}>
      {sheet === 'open' && (
        <Obligations
          judgement={j}
          clear={view.facts.intent === 'clear'}
          onTrait={onTrait}
          onPlace={() => onSheet('place')}
          onPlan={() => onSheet('plan')}
          onStage={onStage}
        />
      )}
      {sheet === 'dangers' && (
        <Ledger
          find={view.id}
          judgement={j}
          stand={stand}
          onRecall={(t) => facts.mutate({ ...view.facts, recalled: [...(view.facts.recalled ?? []), t] })}
        />
      )}
      {sheet === 'basket' && <Basket view={view} specimen={j.specimen} />}
      {sheet === 'pick' && (
        <BeforePick bench={bench} judgement={j} traits={traits} kingdom={kingdom} onTrait={onTrait} onDone={close} />
      )}
      {sheet === 'why' && (
        <Why view={view} judgement={j} traits={byId} onUndo={bench.undo} onBack={() => onSheet('back')} />
      )}
      {sheet === 'back' && <LookBack view={view} judgement={j} traits={byId} stand={stand} />}
      {sheet === 'place' && <PlaceForm id={view.id} facts={view.facts} onDone={close} />}
      {sheet === 'wear' && <Wear bench={bench} view={view} />}
      {sheet === 'photos' && <Photos view={view} specimen={j.specimen} />}
      {sheet === 'measure' && <Photos view={view} specimen={j.specimen} unit={bench.trait?.unit} onTake={onTaken} />}
      {sheet === 'together' && (
        <SideBySide
          view={view}
          onSpecimen={(s) => {
            bench.setSpecimen(s);
            close();
          }}
        />
      )}
      {sheet === 'plan' && <DisposalPlan view={view} />}
      {sheet === 'keys' && <Keys />}
    </Drawer>
  );
}
