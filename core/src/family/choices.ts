/** Kinds of tier: anything goes, fewer materials, less time, or a step further. */
export const tierKinds = ["free", "limited materials", "limited time", "stretch"] as const;
export type TierKind = (typeof tierKinds)[number];

/** Where a test is made. */
export const testPlaces = ["indoors", "outdoors"] as const;
export type TestPlace = (typeof testPlaces)[number];

/** What a version is: a build, or the bare test without one. */
export const versionRoles = ["build", "control"] as const;
export type VersionRole = (typeof versionRoles)[number];
