/* Writes down how many CPU seconds a test file took, where somebody asks: what is slow on a busy machine is not always what costs. */
const { appendFileSync } = require('node:fs');
const { KYMAR_CPU } = process.env;
if (KYMAR_CPU) {
  const before = process.cpuUsage();
  afterAll(() => {
    const { user, system } = process.cpuUsage(before);
    appendFileSync(KYMAR_CPU, `${(user + system) / 1e6} ${expect.getState().testPath}\n`);
  });
}
