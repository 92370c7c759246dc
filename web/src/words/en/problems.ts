/** Every refusal in words, with what would be accepted. */
import type { OptionCode, Problem, ProblemCode } from "../../api/types";
import { grams } from "../../lib/numbers";
import { bound, type Facts, moment } from "../facts";
import { breachWords, expectedWords, knownWords } from "./expected";
import { OPTION_WORDS } from "./options";

const between = (facts: Facts, field: string) =>
  `Use a number from ${bound(facts.least ?? 0, field)} to ${bound(facts.most ?? "10 000", field)}.`;

const WORDS: Record<ProblemCode, (facts: Facts, field: string) => string> = {
  not_a_number: () => "This is not a number. Use digits, such as 40 or 40.5.",
  out_of_range: between,
  unknown_flour: (facts) =>
    `There is no flour named ${facts.given ?? "so"}. There are: ${knownWords(facts.known)}.`,
  no_rhythm: () => "This way feeds by what is seen, not by the clock. Choose another way for a rhythm.",
  takes_more_than_there_is: (facts) =>
    `There is not so much in it. There are ${grams(Number(facts.there_is_g ?? 0))}.`,
  no_room_in_hours: () => "These hours leave no room for it. Give more of them, or another hour.",
  away_too_long: (facts) =>
    facts.instead === "flakes"
      ? `Too long even for the fridge, which keeps it until about ${moment(facts, "latest")}. Dry it: flakes keep for a year.`
      : `Too long on the counter; until ${moment(facts, "latest")} it can stand. Put it in the fridge first.`,
  no_flour: () => "There is no flour in it. Give at least one flour more than nothing.",
  no_water: () => "There is no water in it. Give more than nothing.",
  nothing_added: () => "These amounts come to nothing on the scale. Make the jar larger.",
  unknown_unit: (facts) =>
    `There is no unit named ${facts.given ?? "so"}. There are: ${knownWords(facts.known)}.`,
  hours_form: (facts) => `Write the hours such as ${facts.example}.`,
  hours_overlap: () => "These hours overlap. Leave a gap between them.",
  file_form: (facts) => `This file cannot be read here. Wanted: ${expectedWords(facts.wanted ?? "a jar")}.`,
  method_form: (facts) =>
    `This method cannot be read here. Wanted: ${expectedWords(facts.wanted ?? "a method file")}.`,
  method_too_large: () => "This method is too large.",
  method_too_new: () => "This method was written by a newer Despertar.",
  method_unsound: (facts) => `This method does not work: ${breachWords(facts.breach)}.`,
  does_not_fit_together: (facts) => `Give just ${expectedWords(facts.known ?? "one of them")}.`,
  time_out_of_range: (facts) =>
    facts.latest ? `Use a time up to ${moment(facts, "latest")}.` : "This is not a time that can be used.",
  ratio_form: () => "Write the ratio as seed : flour : water, such as 1:2:2.",
  ratio_two_parts: (facts) =>
    `Which two are meant? Flour and water is ${facts.as_flour_and_water}; seed and flour is ${facts.as_seed_and_flour}.`,
  ratio_without_food: () => "A feed needs seed, flour and water: none of the three can be 0.",
  unknown_step: () => "This step is not known.",
  unknown_family: (facts) => `There is no such method. There are: ${knownWords(facts.known)}.`,
  unknown_option: (facts) => `There is no such option. There are: ${knownWords(facts.known)}.`,
  not_a_choice: (facts) => `Choose one of: ${facts.known ? knownWords(facts.known) : "those shown"}.`,
  keeps_more_than_there_is: (facts) =>
    `There are only ${grams(Number(facts.there_is_g))} in the jar. Keep that or less.`,
  nothing_kept: (facts) => `Keep some seed: up to ${grams(Number(facts.there_is_g))} are in the jar.`,
  jar_too_small: (facts) =>
    `${grams(Number(facts.total_g))} do not fit: this jar holds ${grams(Number(facts.most_g))} to the rim.${facts.fits_share ? ` ${Number(facts.fits_share) <= 0.25 ? "A quarter" : "Half"} of the amounts fits.` : ""}`,
  level_above_rim: (facts) => `That is above the rim. The rim is at ${facts.most}.`,
  level_below_bottom: (facts) => `That is below the bottom. Use ${facts.least} or more.`,
  no_line_yet: () => "There is no line yet to measure against.",
  empty_look: () => "Nothing was noted yet. Set the level, tap what you see, or write a note.",
  in_the_future: (facts) => `That is still to come. Use ${moment(facts, "latest")} or before.`,
  before_the_start: (facts) =>
    facts.first_mix_at || facts.earliest
      ? `That is before the jar began. Use ${moment(facts, facts.first_mix_at ? "first_mix_at" : "earliest")} or after.`
      : "The jar has not been mixed yet.",
  before_the_last_feed: (facts) =>
    `The last entry stands at ${moment(facts, "last_feed_at")}. Use a later time, or change that one.`,
  after_the_next_feed: (facts) =>
    `The next feed stands at ${moment(facts, "next_feed_at")}. Use an earlier time.`,
  jar_is_binned: (facts) => `This jar was binned ${moment(facts, "binned_at")}; nothing can follow.`,
  danger_stands: () =>
    "This cannot be talked away. If it was noted by mistake, change or undo the look that shows it.",
  discard_is_no_food: () =>
    "It is not sour and healthy yet, so its discard is no food. Compost or bin it this time.",
  first_mix_has_feeds: () => "Feeds stand on this first mix. Undo those first.",
  missing: () => "This is needed.",
  not_a_time: () => "This is not a date and time. Choose both.",
  not_text: () => "This holds signs that are not text. Type it anew without them.",
  too_long: (facts) => `This is too long. Use up to ${facts.most} characters.`,
  unknown_field: () => "This is not asked for.",
  not_accepted: () => "This is not accepted in this form.",
  not_json: () => "This could not be read.",
  not_found: () => "This is not there, or not yours.",
  sign_in_first: () => "Sign in first.",
  wrong_name_or_password: () => "The name or the password is not right.",
  too_many_tries: (facts) => `Too many tries. Wait ${facts.minutes} minutes.`,
  name_taken: () => "This name is taken. Choose another.",
  password_too_short: (facts) => `Use at least ${facts.least} characters.`,
  password_too_common: () => "This password is too common. A few unrelated words do well.",
  password_too_similar: () => "This is too close to your name.",
  password_entirely_numeric: () => "Use more than digits.",
  unknown_time_zone: (facts) => `This time zone is not known. Such as ${facts.example}.`,
  forged: () => "This page is too old. Reload it; what you typed is kept.",
  id_taken: () =>
    "This was saved already, with something else in it. Look in the log; what you typed stays here.",
  other_account: () => "Another baker put this down here. It waits until they are back.",
  fed_meanwhile: (facts) =>
    `Someone fed this jar ${moment(facts, "at")}: ${grams(Number(facts.flour_g))} flour, ${grams(Number(facts.water_g))} water.`,
  changed_meanwhile: () => "Another device changed this meanwhile. Reload to see it; what you typed is kept.",
  not_in_the_demo: () => "The demo kitchen cannot be shared. Make an account of your own; it takes a name.",
  invited_only: () => "Only who is invited makes an account in this house. Ask somebody here for a code.",
  no_such_invitation: () => "This invitation is not known, was used, or is too old. Ask for a new one.",
  own_kitchen: () => "This is an invitation to your own kitchen.",
  too_many_hands: (facts) => `Up to ${facts.most} others can keep a kitchen with you.`,
  no_room: () => "There is no room left to keep it. Free some; what you typed stays here.",
  busy: () => "The kitchen has its hands full. Try again in a moment.",
  too_large: (facts) => `This is too large. Up to ${facts.most_mb} MB can be sent.`,
  went_wrong: () => "Something went wrong in the kitchen. What you typed is kept; try again.",
  jar_unreadable: () => "This jar cannot be read just now. Open it to see why.",
  stored_too_new: () => "This was written by a newer Despertar. Start the newer one to read it.",
  parcel_foreign: (facts) => `This is no kitchen that was saved here: it has no ${facts.missing}.`,
  parcel_newer: () => "It was saved by a newer Despertar. Bring it in with that one, or a later one.",
  parcel_fault: (facts) =>
    `Nothing was brought in. Row ${facts.row} of ${facts.table} cannot be read${facts.column ? ` at ${facts.column}` : ""}: expected is ${expectedWords(facts.expected)}.`,
  parcel_too_large: (facts) =>
    `This is too large. Up to ${facts.most_mb} MB are taken here; more by ./despertar import.`,
  not_a_sheet: (facts) =>
    `This is no spreadsheet that can be read here. Choose a CSV or XLSX of up to ${facts.most_mb} MB.`,
  parcel_part: () => "A part of it was lost on the way. Bring it in once more.",
  wrong_password: () => "This is not your password.",
  passkey_refused: () => "This passkey does not open a kitchen here.",
  too_many_passkeys: (facts) => `There are ${facts.most} passkeys already. Take one away first.`,
  no_such_code: () => "Name and code do not belong together, or the code was used or is over.",
  stored_broken: () => "It is stored in a form that is not known here.",
  not_a_photo: () => "This is not a photo. Choose a JPEG, PNG or WebP picture.",
  photo_broken: () => "This photo is cut off or broken. Take it anew, or choose another.",
  photo_too_large: (facts) =>
    facts.most_mp
      ? `This photo is too large. Up to ${facts.most_mp} megapixels are taken.`
      : `This photo is too large. Up to ${facts.most_mb ?? 12} MB are taken.`,
  photo_too_small: (facts) => `This photo is too small to read. At least ${facts.least} pixels a side.`,
  too_many_cameras: (facts) => `This jar has ${facts.most} cameras, as many as may watch it. Stop one first.`,
  lines_cross: (_facts, field) =>
    `Check ${fieldWords(field)}: from the top down the lines are rim, level and line, bottom; the left wall is left of the right.`,
  jar_too_far: () => "The jar is too small in the picture. Bring the camera nearer.",
  no_feed_yet: () =>
    "There is nothing in the jar at that time. Log the feed first, or check when the picture was taken.",
  too_many_photos: (facts) => `This jar has ${facts.most} photos, as many as are kept. Take some away first.`,
  out_of_reach: () => "The kitchen cannot be reached. Nothing typed is lost; try again in a moment.",
  no_demo_here: () => "There is no demo kitchen here.",
};

const FIELDS: Record<string, string> = {
  at: "Time",
  name: "Name",
  password: "Password",
  level: "Level",
  "level.value": "Level",
  note: "Note",
  keep_g: "Kept",
  water_g: "Water",
  salt_g: "Salt",
  line_mm: "Line",
  tare_g: "Empty jar",
  jar_and_all_g: "Jar and all",
  volume_ml: "Volume",
  height_mm: "Height",
  starts_at: "Start",
  until: "Until",
  warmth_c: "Warmth",
  night_c: "Warmth at night",
  high: "High mark",
  ph: "pH",
  celsius: "Warmth",
  size: "Size",
  juice_g: "Juice",
  target_g: "Grams the recipe needs",
  about: "Verdict",
  discard_to: "Discard",
  photo: "Photo",
  picture: "Picture",
  rim: "the rim",
  line: "the line",
  right: "the walls",
  every_min: "Minutes between pictures",
  code: "Invitation",
  place: "Place",
  thermometer: "Thermometer",
};

export function problemWords(problem: Problem): string {
  return WORDS[problem.code](problem.facts, problem.field);
}

/** The field's name as the form shows it. */
export function fieldWords(field: string): string {
  const option = OPTION_WORDS[field.replace("choices.", "") as OptionCode];
  return (
    FIELDS[field] ?? option?.label ?? (field.startsWith("flours") ? "Flour" : field.replaceAll("_", " "))
  );
}

/** What is said of one field, if anything: `level` also answers for `level.value`. */
export function problemAt(problems: readonly Problem[], ...fields: string[]): string | null {
  const found = problems.find((problem) => fields.includes(problem.field));
  return found ? problemWords(found) : null;
}
