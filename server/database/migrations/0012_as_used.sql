ALTER TABLE "candidates" ALTER COLUMN "lead_days" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "lead_days" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "to_ask" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "to_ask" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "makeovers" ADD COLUMN "country" text;
