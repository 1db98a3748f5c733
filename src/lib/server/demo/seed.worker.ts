/** Plays the demo's months in a process of its own, which gives back what that needs when it ends. */
import { makeApp } from '../app';
import { dataDirectory, readClock } from '../environment';
import { openStudio } from '../db/studio-file';
import { filesOf } from '../files/folder';
import { seedDemo } from './seed';

const db = openStudio(dataDirectory());
const directory = dataDirectory();
seedDemo(makeApp(db, readClock(), true, () => {}, filesOf(directory)));
db.close();
