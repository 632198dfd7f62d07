import { wordsOf } from '../keywords/words';
import { readAddress } from '../text/address';
import { campaignOf } from '../view/extras-shown';
import type { PlanView } from '../view/plan-view';
import { nameOfExtra } from '../records/extra';
import type { Extra, ExtraKind } from '../records/extra';
import { normalizeText, units } from '../text/text-length';
import { isPhoneNumber } from '../text/phone-number';
import type { FindingData, Report } from './finding';
import type { RuleId } from './rule-list';

/** A text of an extra, the field it stands in and how long it may be. */
interface LimitedText {
  field: string;
  text: string;
  limit: number;
  /** Description lines may be left empty. */
  isNeeded: boolean;
}

/** Where a finding on a field of an extra stands. */
export function spotOfExtra({ snapshot }: PlanView, extra: Extra, field: string): Pick<Report, 'record' | 'where'> {
  const { id, groupId } = extra;
  const campaignId = campaignOf(snapshot, extra);
  const where = { ...(campaignId !== null && { campaignId }), ...(groupId !== null && { groupId }), field: `extra-${field}` };
  return { record: id, where };
}

const report = (view: PlanView, rule: RuleId, extra: Extra, field: string, data: FindingData = {}): Report => ({
  rule,
  ...spotOfExtra(view, extra, field),
  data: { kind: extra.kind, text: nameOfExtra(extra), ...data },
});

const isBlank = (text: string) => normalizeText(text) === '';

/** Every text of an extra that has a limit. */
function limitedTexts({ rules }: PlanView, extra: Extra): LimitedText[] {
  const own = (limit: number): LimitedText => ({ field: 'text', text: extra.text, limit, isNeeded: true });
  const description = (number: 1 | 2): LimitedText => ({
    field: `description${number}`,
    text: extra[`description${number}`],
    limit: rules.sitelink.descriptionLimit,
    isNeeded: false,
  });
  const texts: Record<ExtraKind, () => LimitedText[]> = {
    sitelink: () => [own(rules.sitelink.textLimit), description(1), description(2)],
    callout: () => [own(rules.callout.textLimit)],
    'dated-offer': () => [
      own(rules.datedOffer.textLimit),
      { field: 'code', text: extra.code, limit: rules.offerCode.textLimit, isNeeded: false },
    ],
    'business-name': () => [own(rules.businessName.textLimit)],
    place: () => [own(rules.nameLimit)],
    'listed-values': () =>
      extra.values.map((text, index) => ({ field: `value${index}`, text, limit: rules.listedValues.textLimit, isNeeded: true })),
    'price-rows': () =>
      extra.prices.flatMap(({ text, description: more }, index) => [
        { field: `price${index}-text`, text, limit: rules.priceRows.textLimit, isNeeded: false },
        { field: `price${index}-description`, text: more, limit: rules.priceRows.textLimit, isNeeded: false },
      ]),
    call: () => [],
  };
  return texts[extra.kind]();
}

/** Texts that are too long, and the first of those that wait to be written. */
function checkTexts(view: PlanView, extra: Extra): Report[] {
  const texts = limitedTexts(view, extra);
  const empty = texts.find(({ text, isNeeded }) => isNeeded && isBlank(text));
  const long = texts.filter(({ text, limit }) => units(text) > limit);
  return [
    ...(empty ? [report(view, 'ads.extra-empty', extra, empty.field)] : []),
    ...long.map(({ field, text, limit }) => report(view, 'ads.extra-over', extra, field, { field, text, units: units(text), limit })),
  ];
}

/** How many rows stand in a list, and under which header. */
function checkList(
  view: PlanView,
  extra: Extra,
  count: number,
  rule: { least: number; most: number; headers: readonly string[] },
): Report[] {
  const reports: Report[] = [];
  if (count < rule.least || count > rule.most)
    reports.push(report(view, 'ads.list-count', extra, 'header', { count, least: rule.least, most: rule.most }));
  if (!rule.headers.includes(extra.header)) reports.push(report(view, 'ads.list-header', extra, 'header', { header: extra.header }));
  return reports;
}

const checkPriceRows = (view: PlanView, extra: Extra): Report[] =>
  extra.prices.flatMap(({ text, priceMinor, address }, index) => {
    const missing = [
      ...(isBlank(text) ? ['text'] : []),
      ...(priceMinor === null ? ['price'] : []),
      ...(readAddress(address) ? [] : ['address']),
    ];
    return missing.length === 0 ? [] : [report(view, 'ads.price-row-open', extra, `price${index}-${missing[0]}`, { row: text, missing })];
  });

const checkCall = (view: PlanView, extra: Extra): Report[] =>
  isPhoneNumber(extra.phone, extra.phoneCountry)
    ? []
    : [report(view, 'ads.call-number', extra, 'phone', { phone: extra.phone, country: extra.phoneCountry })];

/** A dated offer ends after it starts, and not before the ads it stands with begin. */
function checkDates(view: PlanView, extra: Extra): Report[] {
  const { snapshot, brief } = view;
  const { startsOn, endsOn } = extra;
  if (endsOn === null) return [report(view, 'ads.dated-offer-open', extra, 'endsOn')];
  const campaignId = campaignOf(snapshot, extra);
  const begins = (campaignId === null ? null : snapshot.campaign.get(campaignId)?.startsOn) ?? brief.startsOn;
  const isOver = begins !== null && endsOn < begins;
  if (isOver || (startsOn !== null && endsOn < startsOn))
    return [report(view, 'ads.dated-offer-over', extra, 'endsOn', { endsOn, begins: isOver ? begins : startsOn })];
  return [];
}

/** The name shown with the ads is the business's own: it shares a word with the client's, or with one of its names that the brief tells. */
function checkBusinessName(view: PlanView, extra: Extra): Report[] {
  const own = new Set([view.client.name, ...view.brief.ownNames].flatMap((name) => wordsOf(name.toLowerCase())));
  const shown = wordsOf(extra.text.toLowerCase());
  if (shown.length === 0 || shown.some((word) => own.has(word))) return [];
  return [report(view, 'ads.business-name-other', extra, 'text', { client: view.client.name })];
}

/** Reads one extra by what its kind asks: lengths, counts, headers, a number that can be called, dates. */
export function checkExtraByKind(view: PlanView, extra: Extra): Report[] {
  const { rules } = view;
  const more: Partial<Record<ExtraKind, () => Report[]>> = {
    'listed-values': () => checkList(view, extra, extra.values.length, rules.listedValues),
    'price-rows': () => [...checkList(view, extra, extra.prices.length, rules.priceRows), ...checkPriceRows(view, extra)],
    call: () => checkCall(view, extra),
    'business-name': () => checkBusinessName(view, extra),
    'dated-offer': () => checkDates(view, extra),
  };
  return [...checkTexts(view, extra), ...(more[extra.kind]?.() ?? [])];
}
