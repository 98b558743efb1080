CREATE TABLE "recovery_codes" (
	"studio_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"code_hash" text NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "recovery_codes_studio_id_person_id_code_hash_pk" PRIMARY KEY("studio_id","person_id","code_hash")
);
--> statement-breakpoint
CREATE TABLE "tickets" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"opens" text NOT NULL,
	"email" text NOT NULL,
	"person_id" uuid,
	"role" text NOT NULL,
	"sees_costs" boolean NOT NULL,
	"token_hash" text NOT NULL,
	"made_by" uuid,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "tickets_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "deeds" ADD COLUMN "to_person_id" uuid;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "role" text DEFAULT 'member' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "sees_costs" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "removed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "totp_secret" text;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "totp_on" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "totp_step" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "documents" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "letters" ADD COLUMN "ticket_id" uuid;--> statement-breakpoint
ALTER TABLE "recovery_codes" ADD CONSTRAINT "recovery_codes_person" FOREIGN KEY ("studio_id","person_id") REFERENCES "public"."people"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tickets" ADD CONSTRAINT "tickets_studio" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "tickets_token" ON "tickets" USING btree ("token_hash");--> statement-breakpoint
CREATE INDEX "tickets_person" ON "tickets" USING btree ("studio_id","person_id");--> statement-breakpoint
-- Whoever made a studio owns it; whoever was let in works there.
ALTER TABLE "people" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE "people" p SET role = 'owner' WHERE p.id = (SELECT o.id FROM people o WHERE o.studio_id = p.studio_id ORDER BY o.id LIMIT 1);--> statement-breakpoint
ALTER TABLE "people" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "people" ALTER COLUMN "role" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "people" ALTER COLUMN "sees_costs" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "people" ALTER COLUMN "totp_on" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "people" ALTER COLUMN "totp_step" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_role" CHECK (role IN ('owner', 'member', 'bookkeeper', 'looker-on') AND (sees_costs OR role = 'looker-on'));--> statement-breakpoint
ALTER TABLE "recovery_codes" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "recovery_codes" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tickets" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tickets" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "recovery_codes" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
-- Whoever presents a token sees the one ticket that it opens.
CREATE POLICY own_ticket ON "tickets" USING (studio_id = bonitas_studio() OR token_hash = current_setting('bonitas.link', true)) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "recovery_codes", "tickets" TO bonitas_app;--> statement-breakpoint
DROP FUNCTION "bonitas_person"(text, timestamptz);--> statement-breakpoint
CREATE FUNCTION "bonitas_person"(token text, at timestamptz)
RETURNS TABLE (studio_id uuid, person_id uuid, name text, email text, studio_name text, time_zone text, role text, sees_costs boolean, totp_on boolean)
LANGUAGE plpgsql AS $$
DECLARE held sessions%ROWTYPE;
BEGIN
  PERFORM set_config('bonitas.token', token, true);
  SELECT * INTO held FROM sessions WHERE token_hash = token AND expires_at > at;
  IF NOT FOUND THEN RETURN; END IF;
  PERFORM set_config('bonitas.studio', held.studio_id::text, true);
  RETURN QUERY SELECT p.studio_id, p.id, p.name, p.email, s.name, s.time_zone, p.role, p.sees_costs, p.totp_on
    FROM people p JOIN studios s ON s.id = p.studio_id WHERE p.id = held.person_id AND p.removed_at IS NULL;
END $$;