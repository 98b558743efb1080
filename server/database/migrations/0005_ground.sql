ALTER TABLE "attachments" DROP CONSTRAINT "attachments_on_one";--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "room_id" uuid;--> statement-breakpoint
ALTER TABLE "blobs" ADD COLUMN "thumbnail" "bytea";--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "undoes" uuid;--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "told_by" text;--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "brings_in" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "documents" ADD COLUMN "change_id" uuid;--> statement-breakpoint
ALTER TABLE "summaries" ADD COLUMN "rev" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "summaries" ADD COLUMN "studio_rev" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_on_one" CHECK (num_nonnulls("attachments"."order_id", "attachments"."delivery_id", "attachments"."candidate_id", "attachments"."inspiration_id", "attachments"."finish_id", "attachments"."room_id") = 1);