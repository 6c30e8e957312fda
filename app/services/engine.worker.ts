import { expose } from 'comlink';
import { Engine } from './engine-core';

expose(new Engine());
