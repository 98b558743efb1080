CREATE TABLE "letters" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"makeover_id" uuid,
	"for_whom" text NOT NULL,
	"subject" text NOT NULL,
	"opens" text,
	"state" text NOT NULL,
	"written_at" timestamp with time zone NOT NULL,
	"arrives_at" timestamp with time zone,
	"link_id" uuid,
	CONSTRAINT "letters_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "closings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"closed_on" date NOT NULL,
	"signed_by_id" uuid,
	"statement" text NOT NULL,
	"digest" text NOT NULL,
	"reopened_on" date,
	"reason" text NOT NULL,
	CONSTRAINT "closings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "presentations" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"number" integer NOT NULL,
	"greeting" text NOT NULL,
	"sent_on" date NOT NULL,
	"is_live" boolean NOT NULL,
	"parts" text NOT NULL,
	"kept" text NOT NULL,
	CONSTRAINT "presentations_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "reminders" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"what" text NOT NULL,
	"piece_id" uuid,
	"says" text NOT NULL,
	"due_on" date NOT NULL,
	"every_months" integer,
	"stored_at" text NOT NULL,
	"done_on" date,
	CONSTRAINT "reminders_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "replies" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"presentation_id" uuid,
	"piece_id" uuid,
	"question_id" uuid,
	"says" text NOT NULL,
	"words" text NOT NULL,
	"at_x" double precision,
	"at_y" double precision,
	"said_on" date NOT NULL,
	"about" text NOT NULL,
	"seen_on" date,
	CONSTRAINT "replies_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "ticks" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"need_id" uuid NOT NULL,
	"state" text NOT NULL,
	"note" text NOT NULL,
	"ticked_on" date NOT NULL,
	CONSTRAINT "ticks_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "ticks_once" UNIQUE("studio_id","makeover_id","need_id")
);
--> statement-breakpoint
CREATE TABLE "views" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"wall_id" uuid,
	"opening_id" uuid,
	"name" text NOT NULL,
	"place" integer NOT NULL,
	"x0" double precision,
	"y0" double precision,
	"x1" double precision,
	"y1" double precision,
	"x2" double precision,
	"y2" double precision,
	"x3" double precision,
	"y3" double precision,
	CONSTRAINT "views_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "attachments" DROP CONSTRAINT "attachments_on_one";--> statement-breakpoint
ALTER TABLE "signings" ADD COLUMN "link_id" uuid;--> statement-breakpoint
ALTER TABLE "signings" ADD COLUMN "typed_name" text;--> statement-breakpoint
ALTER TABLE "signings" ADD COLUMN "address" text;--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "reply_id" uuid;--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "view_id" uuid;--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "moment" text;--> statement-breakpoint
ALTER TABLE "closings" ADD CONSTRAINT "closings_signed_by" FOREIGN KEY ("studio_id","makeover_id","signed_by_id") REFERENCES "public"."clients"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reminders" ADD CONSTRAINT "reminders_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "replies" ADD CONSTRAINT "replies_client" FOREIGN KEY ("studio_id","makeover_id","client_id") REFERENCES "public"."clients"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "replies" ADD CONSTRAINT "replies_presentation" FOREIGN KEY ("studio_id","makeover_id","presentation_id") REFERENCES "public"."presentations"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "replies" ADD CONSTRAINT "replies_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "replies" ADD CONSTRAINT "replies_question" FOREIGN KEY ("studio_id","makeover_id","question_id") REFERENCES "public"."questions"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ticks" ADD CONSTRAINT "ticks_need" FOREIGN KEY ("studio_id","makeover_id","need_id") REFERENCES "public"."needs"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "views" ADD CONSTRAINT "views_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "views" ADD CONSTRAINT "views_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "views" ADD CONSTRAINT "views_opening" FOREIGN KEY ("studio_id","makeover_id","opening_id") REFERENCES "public"."openings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_reply" FOREIGN KEY ("studio_id","makeover_id","reply_id") REFERENCES "public"."replies"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_view" FOREIGN KEY ("studio_id","makeover_id","view_id") REFERENCES "public"."views"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_on_one" CHECK (num_nonnulls("attachments"."order_id", "attachments"."delivery_id", "attachments"."candidate_id", "attachments"."inspiration_id", "attachments"."finish_id", "attachments"."room_id", "attachments"."task_id", "attachments"."snag_id", "attachments"."reply_id", "attachments"."view_id") = 1);--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['closings', 'letters', 'presentations', 'reminders', 'replies', 'ticks', 'views']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "closings", "letters", "presentations", "reminders", "replies", "ticks", "views" TO bonitas_app;
--> statement-breakpoint
GRANT UPDATE ("typed_name", "address") ON "signings" TO bonitas_app;
