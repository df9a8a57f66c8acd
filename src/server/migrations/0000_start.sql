CREATE TABLE "briefs" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "designs" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "metal_densities" (
	"key" text PRIMARY KEY NOT NULL,
	"density" double precision NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plastics" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"document" jsonb NOT NULL,
	"summary" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE INDEX "briefs_name" ON "briefs" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX "designs_name" ON "designs" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX "plastics_name" ON "plastics" USING btree ("name","id");