import { expose } from 'comlink';
import pathLibrary from 'pathkit-wasm/bin/pathkit.wasm?url';
import { Draughtsman } from './draw';

expose(new Draughtsman(pathLibrary));
// What is sent while the shaper still loads would be lost, so the page waits for this word.
postMessage('ready');
