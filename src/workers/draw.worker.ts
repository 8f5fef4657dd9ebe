import { expose } from 'comlink';
import { Draughtsman } from './draw';

expose(new Draughtsman());
// What is sent while the shaper still loads would be lost, so the page waits for this word.
postMessage('ready');
