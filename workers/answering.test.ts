import type { Answer } from '../core/answer';
import { CASE_FORMAT, type Case } from '../core/case/schema';
import { startAnswering, type AnswerWorker, type LiveAnswer } from './answering';
import type { Asked, Question } from './protocol';

const caseOf = (voltageV: number): Asked => ({ input: { format: CASE_FORMAT, settings: { voltageV } }, lesson: null });
const answerTo = ({ input }: Asked): Answer => ({ judgedBy: `for ${input.settings?.voltageV}` }) as Answer;
const judgedAs = ({ input }: Asked): Case => ({ ...input, experience: { suspects: [] } });

/** Workers that answer when they are told to. */
function workshop() {
  const workers: (AnswerWorker & { asked: Question[]; ended: boolean })[] = [];
  const heard: LiveAnswer[] = [];
  const answering = startAnswering(
    () => {
      const worker = {
        asked: [] as Question[],
        ended: false,
        onmessage: null,
        onerror: null,
        postMessage: (question: Question) => void worker.asked.push(question),
        terminate: () => void (worker.ended = true),
      } as AnswerWorker & { asked: Question[]; ended: boolean };
      workers.push(worker);
      return worker;
    },
    (live) => heard.push(live),
  );
  const latest = () => workers[workers.length - 1];
  return {
    ...answering,
    workers,
    heard,
    latest,
    reply: (at: number, worker = latest()) => {
      const question = worker.asked[at];
      const { id } = question;
      worker.onmessage?.({ data: { id, answer: answerTo(question), judged: judgedAs(question) } });
    },
    said: () => heard[heard.length - 1],
  };
}

describe('asking the worker', () => {
  it('sends one case at a time, and of those that wait only the newest', () => {
    const shop = workshop();
    const [a, b, c] = [18, 19, 20].map(caseOf);
    [a, b, c].forEach(shop.ask);
    expect(shop.latest().asked.map(({ id: _, ...asked }) => asked)).toEqual([a]);
    shop.reply(0);
    expect(shop.said()).toEqual({ answer: answerTo(a), of: a, judged: judgedAs(a), pending: true, problem: null });
    expect(shop.latest().asked.map(({ id: _, ...asked }) => asked)).toEqual([a, c]);
    shop.reply(1);
    expect(shop.said()).toEqual({ answer: answerTo(c), of: c, judged: judgedAs(c), pending: false, problem: null });
    shop.ask(b);
    expect(shop.said()).toEqual({ answer: answerTo(c), of: c, judged: judgedAs(c), pending: true, problem: null });
  });

  it('takes no reply that is not to the question asked last', () => {
    const shop = workshop();
    shop.ask(caseOf(18));
    shop.latest().onmessage?.({ data: { id: 99, answer: answerTo(caseOf(1)), judged: judgedAs(caseOf(1)) } });
    expect(shop.heard).toEqual([]);
    shop.reply(0);
    shop.reply(0);
    expect(shop.heard).toHaveLength(1);
  });

  it('leaves no earlier verdict standing when a case is refused', () => {
    const shop = workshop();
    shop.ask(caseOf(18));
    shop.reply(0);
    const odd = caseOf(19);
    shop.ask(odd);
    shop.latest().onmessage?.({ data: { id: shop.latest().asked[1].id, problem: 'volts take 8 to 50' } });
    expect(shop.said()).toEqual({ answer: null, of: odd, judged: null, pending: false, problem: 'volts take 8 to 50' });
    shop.ask(caseOf(20));
    shop.reply(2);
    expect(shop.said().problem).toBeNull();
  });

  it('replaces a worker that stopped and asks again, for the newest case', () => {
    const shop = workshop();
    shop.ask(caseOf(18));
    const newer = caseOf(19);
    shop.ask(newer);
    const [first] = shop.workers;
    first.onerror?.({});
    expect(first.ended).toBe(true);
    expect(shop.workers).toHaveLength(2);
    expect(shop.latest().asked.map(({ id: _, ...asked }) => asked)).toEqual([newer]);
    shop.reply(0, first);
    expect(shop.heard).toEqual([]);
    shop.reply(0);
    expect(shop.said()).toEqual({
      answer: answerTo(newer),
      of: newer,
      judged: judgedAs(newer),
      pending: false,
      problem: null,
    });
  });

  it('gives a case up that stops every worker, says so, and goes on with the next', () => {
    const shop = workshop();
    shop.ask(caseOf(18));
    for (let i = 0; i < 3; i++) shop.latest().onerror?.({});
    expect(shop.said()).toEqual({
      answer: null,
      of: null,
      judged: null,
      pending: false,
      problem: 'The computation stopped',
    });
    expect(shop.workers).toHaveLength(4);
    shop.ask(caseOf(19));
    shop.reply(0);
    expect(shop.said().of).toEqual(caseOf(19));
    shop.stop();
    expect(shop.latest().ended).toBe(true);
  });
});
