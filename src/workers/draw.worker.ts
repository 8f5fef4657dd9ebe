import { expose } from 'comlink';
import pathLibrary from 'pathkit-wasm/bin/pathkit.wasm?url';
import { createDraughtsman } from './draw';

expose(createDraughtsman(pathLibrary));
// What is sent while the shaper still loads would be lost, so the page waits for this word.
postMessage('ready');
