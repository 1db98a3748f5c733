/** What each mock said of an item beside what practice said: the pressure gap, its widest element's. */
import { ballotElements, gapOf, mockWord, practiceElement, practiceWord } from '../../core/mock';
import { type Mock, familyOf } from '../../core/record';
import { type MockWord, MOCK_WORDS } from '../../core/record/words';
import { clicksBetween, targetOf } from '../../core/tempo';
import { type Tempo, dayOf, tempoIn } from '../../core/units';
import type { MocksView } from '../../schema/mock-view';
import type { Season } from '../laying/facts';
import type { ListItem } from '../store/item';

/** As good as the tempo of the mock. */
const NEAR_CLICKS = 1;

type Gaps = Pick<MocksView['items'][number], 'words' | 'gap'>;

/** Of mocks that are over and whose ballots were opened, in the order of their days. */
export function gapsOf(season: Season, item: ListItem, mocks: readonly Mock[]): Gaps {
  const log = season.log.filter(({ itemId }) => itemId === item.id);
  const elements = ballotElements(familyOf(season.candidate.instruments));
  const read = mocks
    .filter(({ isOpened }) => isOpened)
    .flatMap((mock) => mock.draw.flatMap((cut, at) => (cut.itemId === item.id ? [{ mock, cut, at }] : [])))
    .map(({ mock, cut, at }) => {
      const heard = elements.map((element) => {
        const word = mockWord(
          mock.jurors.flatMap(({ ballot }) => ballot.find((one) => one.item === at)?.words[element] ?? [])
        );
        const about = { bars: cut, on: dayOf(mock.date), isNear: nearTo(item) };
        const practice = practiceWord(log, practiceElement(element) ?? '', about);
        return { element, word, gap: gapOf(practice, word) };
      });
      const said = heard.filter((one): one is typeof one & { word: MockWord } => one.word !== null);
      // the widest gap; where practice says too little, the worst word
      const widest = [...said].sort(
        (a, b) => (b.gap ?? -9) - (a.gap ?? -9) || MOCK_WORDS.indexOf(b.word) - MOCK_WORDS.indexOf(a.word)
      )[0];
      return { mockId: mock.id, stage: mock.stage, date: mock.date, widest };
    });
  const words = read.flatMap(({ widest, ...mock }) =>
    widest ? [{ ...mock, element: widest.element, word: widest.word, gap: widest.gap }] : []
  );
  const latest = words.at(-1);
  return { words, gap: latest?.gap ?? null };
}

function nearTo({ sections }: ListItem): ((tempo: Tempo) => boolean) | undefined {
  const target = sections.map(({ tempo }) => targetOf(tempo)).find(Boolean);
  if (!target) return undefined;
  const { bpm, unit } = target;
  return (played) => Math.abs(clicksBetween(tempoIn(played, unit), bpm, unit)) <= NEAR_CLICKS;
}
