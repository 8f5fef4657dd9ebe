import { expose } from 'comlink';
import { PictureHand } from './pictures';

expose(new PictureHand());
postMessage('ready');
