import { onServerBack, serverAnswered, serverAway, serverInTrouble } from './server-state';

it('a server that comes back is told once, one that never went is not', () => {
  const told = jest.fn();
  const end = onServerBack(told);
  serverAnswered();
  serverInTrouble('full');
  serverAnswered();
  expect(told).not.toHaveBeenCalled();
  serverAway();
  serverAway();
  serverAnswered();
  expect(told).toHaveBeenCalledTimes(1);
  end();
  serverAway();
  serverAnswered();
  expect(told).toHaveBeenCalledTimes(1);
});
