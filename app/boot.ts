// The page's first script, a file of its own: it runs while the rest is still on its way.
import { startEarly } from './services/project/early';

startEarly();
