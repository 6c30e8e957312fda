import { Subject } from 'rxjs';
import { oneAtATime } from './one-at-a-time';

describe('one question at a time', () => {
  const turn = (): Promise<void> => Promise.resolve().then(() => undefined);
  /** Asks by a clock: each question is answered when the test says so. */
  function asked() {
    const questions = new Subject<string>();
    const [out, answers] = [[] as { readonly question: string; readonly answer: (text: string) => void }[], [] as string[]];
    const ask = (question: string) => new Promise<string>(answer => out.push({ question, answer }));
    let hurried = 0;
    const subscription = questions
      .pipe(oneAtATime({ ask, patience: 150, hurry: () => hurried++ }))
      .subscribe(({ question, answer }) => answers.push(`${question} ${answer}`));
    return { questions, out, answers, subscription, hurried: () => hurried };
  }
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  it('the latest of those that came meanwhile is next, and the last is always answered', async () => {
    const { questions, out, answers } = asked();
    for (const question of ['a', 'b', 'c', 'd']) questions.next(question);
    expect(out.map(({ question }) => question)).toEqual(['a']);
    out[0]?.answer('1');
    await turn();
    await turn();
    expect(out.map(({ question }) => question)).toEqual(['a', 'd']);
    out[1]?.answer('2');
    await turn();
    await turn();
    expect(answers).toEqual(['a 1', 'd 2']);
  });
  it('hurries the one that is out once a newer one has waited long enough, and no sooner', async () => {
    const { questions, out, hurried } = asked();
    questions.next('a');
    jasmine.clock().tick(1_000);
    expect(hurried()).toBe(0);
    questions.next('b');
    questions.next('c');
    jasmine.clock().tick(149);
    expect(hurried()).toBe(0);
    jasmine.clock().tick(1);
    expect(hurried()).toBe(1);
    out[0]?.answer('given up');
    await turn();
    await turn();
    jasmine.clock().tick(1_000);
    expect([hurried(), out.length]).toEqual([1, 2]);
  });
  it('ends with its subscription', async () => {
    const { questions, out, answers, subscription, hurried } = asked();
    questions.next('a');
    questions.next('b');
    subscription.unsubscribe();
    jasmine.clock().tick(1_000);
    out[0]?.answer('1');
    await turn();
    await turn();
    expect([answers, out.length, hurried()]).toEqual([[], 1, 0]);
  });
});
