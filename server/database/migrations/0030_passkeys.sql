CREATE TABLE "challenges" (
	"hash" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "passkeys" (
	"studio_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"id" text NOT NULL,
	"public_key" "bytea" NOT NULL,
	"counter" bigint NOT NULL,
	"name" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"last_used_at" timestamp with time zone,
	CONSTRAINT "passkeys_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "passkeys_id_once" UNIQUE("id")
);
--> statement-breakpoint
ALTER TABLE "passkeys" ADD CONSTRAINT "passkeys_person" FOREIGN KEY ("studio_id","person_id") REFERENCES "public"."people"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "passkeys" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "passkeys" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- Whoever's device names a key sees that one.
CREATE POLICY own_passkey ON "passkeys" USING (studio_id = bonitas_studio() OR id = current_setting('bonitas.link', true)) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "passkeys" TO bonitas_app;--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON "challenges" TO bonitas_app;--> statement-breakpoint
ALTER TABLE "challenges" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "challenges" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- Only whoever brings a challenge back sees it, and whoever clears up.
CREATE POLICY own_challenge ON "challenges" USING (hash = current_setting('bonitas.link', true) OR current_setting('bonitas.sweep', true) = 'yes');