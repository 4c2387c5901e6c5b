import Joi from "joi";
import { type ClaimInput, drawnAmong, type PrizeInput } from "../findings/prize.ts";
import { objectOf, someText } from "./parts.ts";

/** Winners of one draw at most. */
const mostWinners = 100;

export const prizeInput = objectOf<PrizeInput>({
  winners: Joi.number().integer().min(1).max(mostWinners).required(),
  among: Joi.string()
    .valid(...drawnAmong)
    .required(),
});

export const claimInput = objectOf<ClaimInput>({ code: someText(40).required() });
