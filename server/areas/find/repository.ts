import { select } from '../../platform/database'

export interface AskedWord {
  typed: string
  /** Whether some word begins so. */
  known: boolean
  /** Words that may have been meant where none does. */
  meant: string[]
}

/** What was typed, word by word, each with what of the organisation's vocabulary it may stand for. */
export const readWords = (organisation: string, typed: string): Promise<AskedWord[]> =>
  select<AskedWord>(
    `SELECT w AS typed, k.known, CASE WHEN k.known THEN '{}' ELSE ARRAY(SELECT words_meant($1, w)) END AS meant
     FROM (SELECT w FROM unnest(tsvector_to_array(find_words($2))) w LIMIT 8) asked,
       LATERAL (SELECT EXISTS (SELECT FROM findable_vocabulary v WHERE v.organisation_id = $1
         AND v.word >= w COLLATE "C" AND v.word < (w || chr(1114111)) COLLATE "C") AS known) k`,
    [organisation, typed],
  )

export interface FoundRow {
  kind: 'customer' | 'site' | 'unit' | 'job' | 'part'
  id: string
  title: string
  about: string
  unit: string | null
}

/** Of each kind so many at most are weighed against each other. */
const WEIGHED = 200

/** What each kind counts for, where the words fit as well. */
const WEIGHTS = { customer: 1.4, site: 1.2, unit: 1.3, part: 1.2, job: 1 } as const
/** Each kind by itself, by its name: a kind of few rows is never looked for in the many of another. */
const OF_EACH_KIND = Object.entries(WEIGHTS)
  .map(
    ([kind, weight]) =>
      `(SELECT kind, id, words, ${weight} AS weight FROM findable
        WHERE organisation_id = $1 AND kind = '${kind}' AND words @@ to_tsquery('simple', $2) LIMIT ${WEIGHED})`,
  )
  .join(' UNION ALL ')

/** @param asked words that all have to occur, as the database's search reads them */
export const findRows = (organisation: string, asked: string, most: number): Promise<FoundRow[]> =>
  select<FoundRow>(
    `WITH best AS (
       SELECT m.kind, m.id, ts_rank('{0.1, 0.2, 0.4, 1}', m.words, to_tsquery('simple', $2)) * m.weight AS rank
       FROM (${OF_EACH_KIND}) m ORDER BY rank DESC, m.id DESC LIMIT $3)
     SELECT b.kind, b.id,
       COALESCE(c.name, s.name, u.title, p.number || ' ' || p.title,
         (SELECT string_agg(x, ', ') FROM jsonb_array_elements_text(j.listed->'complaints') x), '') AS title,
       CASE b.kind WHEN 'customer' THEN (SELECT count(*) || ' machines' FROM units n JOIN sites t ON t.id = n.site_id WHERE t.customer_id = c.id)
         WHEN 'site' THEN sc.name WHEN 'unit' THEN uc.name || ', ' || us.name WHEN 'part' THEN p.kind
         ELSE concat_ws(', ', j.listed->>'title', j.listed->>'customer',
           CASE WHEN j.closed_at IS NULL THEN 'open' ELSE COALESCE(NULLIF(j.standing->'closed'->>'text', ''), 'closed') END) END AS about,
       CASE b.kind WHEN 'customer' THEN (SELECT n.id FROM units n JOIN sites t ON t.id = n.site_id WHERE t.customer_id = c.id ORDER BY n.title LIMIT 1)
         WHEN 'site' THEN (SELECT n.id FROM units n WHERE n.site_id = s.id ORDER BY n.title LIMIT 1)
         WHEN 'unit' THEN u.id WHEN 'job' THEN j.unit_id END AS unit
     FROM best b
       LEFT JOIN customers c ON b.kind = 'customer' AND c.id = b.id
       LEFT JOIN sites s ON b.kind = 'site' AND s.id = b.id LEFT JOIN customers sc ON sc.id = s.customer_id
       LEFT JOIN units u ON b.kind = 'unit' AND u.id = b.id LEFT JOIN sites us ON us.id = u.site_id LEFT JOIN customers uc ON uc.id = us.customer_id
       LEFT JOIN parts p ON b.kind = 'part' AND p.id = b.id
       LEFT JOIN jobs j ON b.kind = 'job' AND j.id = b.id
     ORDER BY b.rank DESC, b.id DESC`,
    [organisation, asked, most],
  )
