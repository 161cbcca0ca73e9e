import { whole } from './evaluate/whole';
whole(Number(process.argv[2] ?? 300));
