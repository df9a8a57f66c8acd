ALTER TABLE "briefs" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "metal" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "designs" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "designs" ADD COLUMN "metal" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "hooks" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "hooks" ADD COLUMN "metal" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "plastics" ADD COLUMN "revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "plastics" ADD COLUMN "metal" text DEFAULT '' NOT NULL;