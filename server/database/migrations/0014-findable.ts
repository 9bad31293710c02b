import type { Sequelize } from 'sequelize'

export const name = '0014-findable'

/** One row a thing, the list of its words, and how both are written. */
const TABLES = `
    CREATE EXTENSION IF NOT EXISTS unaccent;
    CREATE EXTENSION IF NOT EXISTS fuzzystrmatch;
    CREATE EXTENSION IF NOT EXISTS btree_gin;

    CREATE TABLE findable (
      kind text NOT NULL CHECK (kind IN ('customer', 'site', 'unit', 'job', 'part')),
      id uuid NOT NULL,
      organisation_id uuid NOT NULL REFERENCES organisations,
      words tsvector NOT NULL,
      PRIMARY KEY (kind, id)
    );
    CREATE INDEX findable_words ON findable USING gin (organisation_id, kind, words);
    CREATE TABLE findable_vocabulary (
      organisation_id uuid NOT NULL REFERENCES organisations,
      word text COLLATE "C" NOT NULL,
      PRIMARY KEY (organisation_id, word)
    );
    CREATE INDEX findable_vocabulary_alike ON findable_vocabulary USING gin (word gin_trgm_ops);

    CREATE FUNCTION find_words(said text) RETURNS tsvector LANGUAGE sql STABLE AS $$
      SELECT to_tsvector('simple', regexp_replace(unaccent(lower(said)), '[^[:alnum:]]+', ' ', 'g'))
    $$;
    -- Words of the vocabulary that may have been meant: few letters off, the nearest first.
    CREATE FUNCTION words_meant(organisation uuid, typed text) RETURNS SETOF text LANGUAGE sql STABLE
      SET pg_trgm.similarity_threshold = 0.14 AS $$
      SELECT word FROM findable_vocabulary
      WHERE organisation_id = organisation AND word % typed AND length(typed) BETWEEN 3 AND 60 AND length(word) <= 60
        AND levenshtein(word, typed) <= (length(typed) + 2) / 3
      ORDER BY levenshtein(word, typed), similarity(word, typed) DESC, word LIMIT 4
    $$;
    CREATE FUNCTION make_findable(own_kind text, own_id uuid, organisation uuid, title text, more text) RETURNS void LANGUAGE plpgsql AS $$
    DECLARE own tsvector := setweight(find_words(title), 'A') || find_words(more);
    BEGIN
      INSERT INTO findable (kind, id, organisation_id, words) VALUES (own_kind, own_id, organisation, own)
        ON CONFLICT (kind, id) DO UPDATE SET words = own;
      INSERT INTO findable_vocabulary SELECT organisation, w FROM unnest(tsvector_to_array(own)) w ORDER BY w ON CONFLICT DO NOTHING;
    END $$;
`

/** The words of each kind of thing. */
const WORDS = `
    CREATE FUNCTION customer_findable() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
      PERFORM make_findable('customer', NEW.id, NEW.organisation_id, NEW.name, '');
      IF TG_OP = 'UPDATE' THEN UPDATE sites SET name = name WHERE customer_id = NEW.id; END IF;
      RETURN NULL;
    END $$;
    CREATE FUNCTION site_findable() RETURNS trigger LANGUAGE plpgsql AS $$ DECLARE c customers; BEGIN
      SELECT * INTO c FROM customers WHERE id = NEW.customer_id;
      PERFORM make_findable('site', NEW.id, c.organisation_id, NEW.name, c.name);
      IF TG_OP = 'UPDATE' THEN UPDATE units SET title = title WHERE site_id = NEW.id; END IF;
      RETURN NULL;
    END $$;
    CREATE FUNCTION unit_findable() RETURNS trigger LANGUAGE plpgsql AS $$ DECLARE place text; BEGIN
      SELECT s.name || ' ' || c.name INTO place FROM sites s JOIN customers c ON c.id = s.customer_id WHERE s.id = NEW.site_id;
      PERFORM make_findable('unit', NEW.id, NEW.organisation_id, NEW.title || ' ' || NEW.serial, place);
      RETURN NULL;
    END $$;
    CREATE FUNCTION job_findable() RETURNS trigger LANGUAGE plpgsql AS $$ DECLARE j jobs; BEGIN
      SELECT * INTO j FROM jobs WHERE id = NEW.job_id;
      PERFORM make_findable('job', j.id, j.organisation_id,
        COALESCE((SELECT string_agg(x, ' ') FROM jsonb_array_elements_text(j.listed->'complaints') x), ''), NEW.search);
      RETURN NULL;
    END $$;
    CREATE FUNCTION part_findable() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
      PERFORM make_findable('part', NEW.id, NEW.organisation_id, NEW.number || ' ' || NEW.title,
        concat_ws(' ', NEW.kind, array_to_string(NEW.kit, ' '), array_to_string(NEW.substitutes, ' '), NEW.volts, NEW.contact, NEW.thread));
      RETURN NULL;
    END $$;
`

/** Kept wherever it is written, and written for what is there. */
const TRIGGERS = `
    CREATE TRIGGER findable AFTER INSERT OR UPDATE OF name ON customers FOR EACH ROW EXECUTE FUNCTION customer_findable();
    CREATE TRIGGER findable AFTER INSERT OR UPDATE OF name ON sites FOR EACH ROW EXECUTE FUNCTION site_findable();
    CREATE TRIGGER findable AFTER INSERT OR UPDATE OF title, serial, site_id ON units FOR EACH ROW EXECUTE FUNCTION unit_findable();
    CREATE TRIGGER findable AFTER INSERT OR UPDATE OF search ON job_words FOR EACH ROW EXECUTE FUNCTION job_findable();
    CREATE TRIGGER findable AFTER INSERT OR UPDATE ON parts FOR EACH ROW EXECUTE FUNCTION part_findable();

    -- Sites and units come after what they stand in.
    UPDATE customers SET name = name;
    UPDATE job_words SET search = search;
    UPDATE parts SET number = number;
`

/**
 * What is found by any word: customers, places, machines, jobs and parts stand in one table, each with its words without accents, kept by
 * triggers wherever it is written. Every word that occurs stands in a list of its own: what was typed wrong is looked for among those.
 */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const part of [TABLES, WORDS, TRIGGERS]) await sequelize.query(part)
}

export async function down(sequelize: Sequelize): Promise<void> {
  await sequelize.query(`
    DROP FUNCTION customer_findable, site_findable, unit_findable, job_findable, part_findable CASCADE;
    DROP FUNCTION make_findable, words_meant, find_words;
    DROP TABLE findable; DROP TABLE findable_vocabulary;
  `)
}
