/** Imports point one way: web and server to contract to words to core. */
const ours = "^(core|words|contract|server|web|demo|e2e)/";
const only = (name, from, allowed, comment) => ({
  name,
  severity: "error",
  comment,
  from: { path: from },
  to: { path: ours, pathNot: allowed },
});

/** @type {import("dependency-cruiser").IConfiguration} */
module.exports = {
  forbidden: [
    only("core-alone", "^core/", "^core/", "core computes and knows nobody else"),
    only("words-on-core", "^words/", "^(words|core)/", "the words of families know core alone"),
    only("contract-below", "^contract/", "^(contract|words|core)/", "the contract knows words and core"),
    only("server-below", "^server/src/", "^(server|contract|words|core)/", "the server knows contract, words and core"),
    only(
      "web-below",
      "^web/",
      "^(web|contract|words|core)/|^server/src/api\\.ts$",
      "the web knows the server by the type of its routes alone",
    ),
    only("demo-below", "^demo/", "^(demo|server|contract|words|core)/", "the demo uses the server's own services"),
    {
      name: "core-is-pure",
      severity: "error",
      comment: "no interface, no server, no database, no files in core",
      from: { path: "^core/src/" },
      to: { path: "node_modules/(react|antd|hono|drizzle-orm|better-sqlite3|joi)|^(node:)?(fs|path|http|os|child_process)$" },
    },
    {
      name: "home-is-light",
      severity: "error",
      comment: "family pages carry no Ant Design, no Joi and nothing of the desk",
      from: { path: "^web/home/" },
      to: { path: "^web/desk/|node_modules/(antd|joi|recharts|@ant-design)" },
    },
    { name: "desk-and-home-apart", severity: "error", from: { path: "^web/(desk|shared)/" }, to: { path: "^web/home/" } },
    { name: "run-without-crate", severity: "error", from: { path: "^web/desk/run/" }, to: { path: "^web/desk/crate/" } },
    { name: "crate-without-run", severity: "error", from: { path: "^web/desk/crate/" }, to: { path: "^web/desk/run/" } },
    { name: "no-joi-in-the-web", severity: "error", from: { path: "^web/" }, to: { path: "^contract/src/schemas/|node_modules/joi" } },
    {
      name: "one-language-at-a-time",
      severity: "error",
      comment: "a phone fetches its own language alone",
      from: { path: "^web/" },
      to: { path: "^words/src/all\\.ts$" },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } } },
    // An address that the bundler makes ("?url") is no module to resolve.
    { name: "nothing-lost", severity: "error", from: {}, to: { couldNotResolve: true, pathNot: "\\?url$" } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^|/)(dist|test-results)/|\\.css$|\\.tmp\\.ts$" },
    tsPreCompilationDeps: true,
    parser: "swc",
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "types", "default"],
      extensions: [".ts", ".tsx", ".js", ".json", ".d.ts"],
    },
  },
};
