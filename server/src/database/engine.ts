import { EngineProblem, sqliteEngine, type SqliteEngine } from './sqlite-engine.js';
import { StartProblem } from './start-problem.js';

/** The database engine of this Node.js. @throws StartProblem if there is none */
export function engine(): SqliteEngine {
  try {
    return sqliteEngine();
  } catch (error) {
    if (error instanceof EngineProblem) throw new StartProblem(error.message);
    throw error;
  }
}
