import type { RequestHandler } from 'express';
import pino, { type Logger } from 'pino';

/** The server's log. Quiet unless LOG_LEVEL asks for more: "info" names every request with its time. */
export function createLog(level = process.env.LOG_LEVEL ?? 'warn'): Logger {
  return pino({ level: level in pino.levels.values || level === 'silent' ? level : 'warn', base: null });
}

/** Names each request with its status and how long it took. */
export function requestLog(log: Logger): RequestHandler {
  return (request, response, next) => {
    const from = performance.now();
    response.on('finish', () =>
      log.info({
        method: request.method,
        url: request.originalUrl,
        status: response.statusCode,
        ms: Math.round(performance.now() - from),
      }),
    );
    next();
  };
}
