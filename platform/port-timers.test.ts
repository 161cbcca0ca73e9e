import { platform } from './ports';

describe('the browser’s timers', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('do something once, when its time has come, and not once it was called off', () => {
    const [done, calledOff] = [jest.fn(), jest.fn()];
    platform().after(500, done);
    const callOff = platform().after(500, calledOff);
    jest.advanceTimersByTime(499);
    expect(done).not.toHaveBeenCalled();
    callOff();
    jest.advanceTimersByTime(2000);
    expect(done).toHaveBeenCalledTimes(1);
    expect(calledOff).not.toHaveBeenCalled();
  });

  it('do something again and again, until it is ended', () => {
    const done = jest.fn();
    const end = platform().every(100, done);
    jest.advanceTimersByTime(350);
    expect(done).toHaveBeenCalledTimes(3);
    end();
    jest.advanceTimersByTime(1000);
    expect(done).toHaveBeenCalledTimes(3);
  });
});
