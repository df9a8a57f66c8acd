CREATE TABLE IF NOT EXISTS "batches" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"card" jsonb,
	"revision" integer DEFAULT 0 NOT NULL,
	"metal" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS "moulds" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"card" jsonb,
	"revision" integer DEFAULT 0 NOT NULL,
	"metal" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS "photos" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"card" jsonb,
	"revision" integer DEFAULT 0 NOT NULL,
	"metal" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS "ranges" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"card" jsonb,
	"revision" integer DEFAULT 0 NOT NULL,
	"metal" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS "trials" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"card" jsonb,
	"revision" integer DEFAULT 0 NOT NULL,
	"metal" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"step" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"archived_at" timestamp with time zone,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS "batches_name" ON "batches" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX IF NOT EXISTS "moulds_name" ON "moulds" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX IF NOT EXISTS "photos_name" ON "photos" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX IF NOT EXISTS "ranges_name" ON "ranges" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX IF NOT EXISTS "trials_name" ON "trials" USING btree ("name","id");