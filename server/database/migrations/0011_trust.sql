CREATE TABLE "change_words" (
	"studio_id" uuid NOT NULL,
	"change_id" uuid NOT NULL,
	"sentence" text NOT NULL,
	"words" jsonb,
	CONSTRAINT "change_words_studio_id_change_id_pk" PRIMARY KEY("studio_id","change_id")
);
--> statement-breakpoint
CREATE TABLE "signings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"change_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"typed_at" timestamp with time zone NOT NULL,
	"digest" text NOT NULL,
	"erased_at" timestamp with time zone,
	CONSTRAINT "signings_studio_id_makeover_id_agreement_id_pk" PRIMARY KEY("studio_id","makeover_id","agreement_id")
);
--> statement-breakpoint
ALTER TABLE "people" DROP CONSTRAINT "people_email_once";--> statement-breakpoint
ALTER TABLE "documents" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "documents" ADD COLUMN "deleted_by" uuid;--> statement-breakpoint
ALTER TABLE "payments" ADD COLUMN "reason" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "payments" ALTER COLUMN "reason" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "change_words" ADD CONSTRAINT "change_words_change" FOREIGN KEY ("studio_id","change_id") REFERENCES "public"."changes"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "signings" ADD CONSTRAINT "signings_change" FOREIGN KEY ("studio_id","change_id") REFERENCES "public"."changes"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- What follows reads and moves rows of every studio, which the owner of the tables does not see while they are forced.
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['changes', 'changed_rows', 'changed_documents', 'agreements', 'agreement_lines'] LOOP
    EXECUTE format('ALTER TABLE %I NO FORCE ROW LEVEL SECURITY', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- What was signed here so far: by whoever typed it, and bound to what it says today, which nobody could change since.
INSERT INTO "signings" ("studio_id", "makeover_id", "agreement_id", "change_id", "person_id", "typed_at", "digest")
SELECT DISTINCT ON (a.studio_id, a.makeover_id, a.id) a.studio_id, a.makeover_id, a.id, c.id, c.person_id, c.made_at,
  encode(sha256(convert_to(concat_ws(E'\n', a.number, a.signed_on, a.signed_by_id, a.contingency_minor,
    coalesce((SELECT string_agg(l.category_id || '=' || l.amount_minor, ',' ORDER BY l.category_id::text COLLATE "C")
      FROM agreement_lines l WHERE l.studio_id = a.studio_id AND l.makeover_id = a.makeover_id AND l.agreement_id = a.id), ''),
    a.reason, a.kept), 'UTF8')), 'hex')
FROM "agreements" a
JOIN "changed_rows" r ON r.studio_id = a.studio_id AND r.kind = 'agreement' AND r.row_id = a.id AND r.after ->> 'signedOn' IS NOT NULL
JOIN "changes" c ON c.studio_id = r.studio_id AND c.id = r.change_id AND c.told_by IS NULL AND NOT c.brings_in
WHERE a.signed_on IS NOT NULL
ORDER BY a.studio_id, a.makeover_id, a.id, c.made_at DESC;
--> statement-breakpoint
-- Texts move out of the diary, to where they can be erased. Ids stay: rows are found by them.
CREATE FUNCTION "bonitas_texts"(side jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT jsonb_object_agg(key, value) FROM jsonb_each(side)
  WHERE jsonb_typeof(value) = 'string'
    AND value #>> '{}' !~ '^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$'
$$;
--> statement-breakpoint
INSERT INTO "change_words" ("studio_id", "change_id", "sentence", "words")
SELECT c.studio_id, c.id, c.sentence,
  (SELECT jsonb_object_agg(r.place::text, jsonb_strip_nulls(jsonb_build_object('before', bonitas_texts(r.before), 'after', bonitas_texts(r.after))))
   FROM "changed_rows" r
   WHERE r.studio_id = c.studio_id AND r.change_id = c.id AND (bonitas_texts(r.before) IS NOT NULL OR bonitas_texts(r.after) IS NOT NULL))
FROM "changes" c;
--> statement-breakpoint
UPDATE "changed_rows" SET
  "before" = before || coalesce((SELECT jsonb_object_agg(key, '{"words": true}'::jsonb) FROM jsonb_object_keys(bonitas_texts(before)) AS key), '{}'),
  "after" = after || coalesce((SELECT jsonb_object_agg(key, '{"words": true}'::jsonb) FROM jsonb_object_keys(bonitas_texts(after)) AS key), '{}')
WHERE bonitas_texts(before) IS NOT NULL OR bonitas_texts(after) IS NOT NULL;
--> statement-breakpoint
DROP FUNCTION "bonitas_texts"(jsonb);--> statement-breakpoint
ALTER TABLE "changes" DROP COLUMN "sentence";--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['changes', 'changed_rows', 'changed_documents', 'agreements', 'agreement_lines'] LOOP
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- An email is one person's within a studio; whether another studio knows it is nobody's business.
ALTER TABLE "people" ADD CONSTRAINT "people_email_once" UNIQUE("studio_id","email");--> statement-breakpoint
SELECT "bonitas_secure"();--> statement-breakpoint
-- What was signed stands: only its digest may follow an erasure.
REVOKE UPDATE, DELETE ON "signings" FROM bonitas_app;--> statement-breakpoint
GRANT UPDATE ("digest", "erased_at") ON "signings" TO bonitas_app;--> statement-breakpoint
-- What was put away is found by whoever clears up, whose studio is not known beforehand.
CREATE POLICY put_away ON "documents" FOR SELECT
  USING (current_setting('bonitas.sweep', true) = 'yes' AND deleted_at IS NOT NULL);
--> statement-breakpoint
CREATE POLICY counted ON "studios" FOR SELECT USING (current_setting('bonitas.sweep', true) = 'yes');
--> statement-breakpoint
-- The diary of a makeover that was put away goes with it; nothing else takes anything out of a diary. What a change also
-- did to the studio stays. It sees the studio of its transaction alone, like everybody.
CREATE FUNCTION "bonitas_forget"(makeover uuid) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM FROM documents d WHERE d.studio_id = bonitas_studio() AND d.id = makeover AND d.deleted_at IS NOT NULL AND d.id <> d.studio_id FOR UPDATE;
  IF NOT FOUND THEN RAISE EXCEPTION 'there is no makeover that was put away'; END IF;
  CREATE TEMP TABLE forgotten ON COMMIT DROP AS
    SELECT cd.change_id AS id,
      EXISTS (SELECT FROM changed_documents s WHERE s.studio_id = cd.studio_id AND s.change_id = cd.change_id AND s.document_id <> makeover) AS shared
    FROM changed_documents cd WHERE cd.studio_id = bonitas_studio() AND cd.document_id = makeover;
  DELETE FROM signings s WHERE s.studio_id = bonitas_studio() AND s.makeover_id = makeover;
  DELETE FROM changed_documents cd WHERE cd.studio_id = bonitas_studio() AND cd.document_id = makeover;
  DELETE FROM changed_rows r USING forgotten f WHERE r.studio_id = bonitas_studio() AND r.change_id = f.id
    AND (NOT f.shared OR r.kind NOT IN ('studio', 'seller', 'studioRuling', 'studioSchool'));
  DELETE FROM mentions m USING forgotten f WHERE m.studio_id = bonitas_studio() AND m.change_id = f.id
    AND NOT EXISTS (SELECT FROM changed_rows r WHERE r.studio_id = m.studio_id AND r.change_id = m.change_id AND r.row_id = m.row_id);
  DELETE FROM change_words w USING forgotten f WHERE w.studio_id = bonitas_studio() AND w.change_id = f.id AND NOT f.shared;
  UPDATE change_words w SET sentence = '(erased)', words = (
      SELECT jsonb_object_agg(key, value) FROM jsonb_each(w.words)
      WHERE EXISTS (SELECT FROM changed_rows r WHERE r.studio_id = w.studio_id AND r.change_id = w.change_id AND r.place::text = key))
    FROM forgotten f WHERE w.studio_id = bonitas_studio() AND w.change_id = f.id AND f.shared;
  DELETE FROM changes c USING forgotten f WHERE c.studio_id = bonitas_studio() AND c.id = f.id AND NOT f.shared;
  DELETE FROM documents d WHERE d.studio_id = bonitas_studio() AND d.id = makeover;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "bonitas_forget"(uuid) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "bonitas_forget"(uuid) TO bonitas_app;--> statement-breakpoint
-- A document goes only through that function; and which migrations were made is not the application's to write.
GRANT DELETE ON "blobs" TO bonitas_app;--> statement-breakpoint
REVOKE DELETE ON "documents" FROM bonitas_app;--> statement-breakpoint
DO $$ BEGIN
  IF to_regclass('public.bonitas_migrations') IS NOT NULL THEN REVOKE ALL ON "bonitas_migrations" FROM bonitas_app; END IF;
END $$;
