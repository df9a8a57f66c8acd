CREATE TABLE "hooks" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"card" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "named_versions" (
	"id" text PRIMARY KEY NOT NULL,
	"design_id" text NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "steps" (
	"design_id" text NOT NULL,
	"step" integer NOT NULL,
	"words" text NOT NULL,
	"document" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "steps_design_id_step_pk" PRIMARY KEY("design_id","step")
);
--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "card" jsonb;--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "step" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "designs" ADD COLUMN "card" jsonb;--> statement-breakpoint
ALTER TABLE "designs" ADD COLUMN "step" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "designs" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "metal_densities" ADD COLUMN "price" double precision;--> statement-breakpoint
ALTER TABLE "plastics" ADD COLUMN "card" jsonb;--> statement-breakpoint
ALTER TABLE "plastics" ADD COLUMN "step" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "plastics" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "hooks_name" ON "hooks" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX "named_versions_design" ON "named_versions" USING btree ("design_id");