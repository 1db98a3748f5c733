/** The entry of the worker that lays scratch plans and looks for remedies, so that the page never waits. */
import { applyChanges, compareLayings, findRemedies, laySeason, plannedStairs, viewOf } from '../core/season';
import type { SeasonAnswer, SeasonQuestion } from './season.questions';

let request: Extract<SeasonQuestion, { kind: 'open' }>['request'];
let plan: Extract<SeasonQuestion, { kind: 'open' }>['plan'];
let names: Extract<SeasonQuestion, { kind: 'open' }>['names'];

function answer(question: SeasonQuestion): SeasonAnswer {
  switch (question.kind) {
    case 'open':
      ({ request, plan, names } = question);
      return { kind: 'open' };
    case 'remedies':
      return { kind: 'remedies', remedies: findRemedies(applyChanges(request, question.changes)) };
    case 'lay': {
      const joint = laySeason(applyChanges(request, question.changes));
      const laid = names ? viewOf(joint, names) : joint;
      const steps = Object.fromEntries(laid.items.map((item) => [item.id, plannedStairs(item, laid.today)]));
      return { kind: 'lay', plan: laid, steps, moves: compareLayings(plan, laid) };
    }
  }
}

addEventListener('message', ({ data }: MessageEvent<{ id: number; question: SeasonQuestion }>) => {
  postMessage({ id: data.id, answer: answer(data.question) });
});
