import { benchDevices, benchWords } from "@lampcrate/core";
import { startStandIn } from "./standIns/bench.ts";

// npm run stand-ins: a scale and a light gate that are only made believe, for who has none at hand.
const usual = { scale: 8161, gate: 8162 };

for (const device of benchDevices) {
  const port = Number(process.env[`LAMPCRATE_${device.toUpperCase()}_PORT`] || usual[device]);
  const { port: at } = await startStandIn(device, port).catch((error: NodeJS.ErrnoException) => {
    console.error(
      `Port ${port} is ${error.code === "EADDRINUSE" ? "taken" : "no port for it"}: set LAMPCRATE_${device.toUpperCase()}_PORT to another one.`,
    );
    process.exit(1);
  });
  console.log(`${benchWords[device]}, made believe, at port ${at} of this machine`);
}
