// Prints how many of the pages' unit tests ran and failed, from Vitest's own report; tells of each that failed on the other stream.
import { readFileSync } from 'node:fs';

const report = JSON.parse(readFileSync(process.argv[2], 'utf8'));
let lost = 0;
for (const file of report.testResults) {
  const bad = file.assertionResults.filter((t) => t.status === 'failed');
  for (const test of bad) console.error(`${file.name.split('/src/').pop()}: ${test.fullName}\n${test.failureMessages.join('\n')}`);
  if (file.status === 'failed' && bad.length === 0) {
    lost++;
    console.error(`${file.name.split('/src/').pop()} did not run: ${file.message}`);
  }
}
console.log(report.numTotalTests, report.numFailedTests + lost);
