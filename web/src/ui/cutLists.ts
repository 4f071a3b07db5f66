/** What a cut can be written as for another editor: the ending, and the format's name. */
export const CUT_LISTS: [format: string, name: string][] = [
  ['otio', 'OpenTimelineIO'],
  ['edl', 'EDL, CMX 3600'],
  ['csv', 'CSV'],
];
