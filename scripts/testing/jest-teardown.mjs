/** After the server's suites: the database goes, if they started it. */
export default async function teardown() {
  await globalThis.testDatabase?.stop();
}
