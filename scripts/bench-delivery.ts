import { testSchool } from "~/tests/support/school";
import { Crowd } from "./bench-crowd";
import { killed, manyStudents, seconds, serverOf, verdict } from "./bench-faults";

const STUDENTS = 500;
const PER_SECOND = 50;
const KILLS = 5;
const WORKS = 2;
const AIM_MILLISECONDS = 250;

/**
 * A school at work, on loopback: 500 students answer 50 times a second through the real interface while the process is killed and started again five
 * times. Afterwards each acknowledged answer has to be there once, and the summaries have to be what a second reading of the log makes of them.
 */
export async function benchDelivery(): Promise<void> {
  const school = await testSchool();
  school.setNow(Date.now());
  const students = await manyStudents(school, STUDENTS, WORKS);
  const server = await serverOf(school.file);
  const crowd = new Crowd(server.address, students, PER_SECOND);
  try {
    await server.start();
    crowd.begin();
    await seconds(5);
    crowd.forget();
    await killed(server, crowd, { times: KILLS, students: STUDENTS, aim: AIM_MILLISECONDS });
    await crowd.end();
    await server.kill();
    await verdict(school, crowd);
  } finally {
    await crowd.end();
    await server.kill();
    school.close();
  }
}
