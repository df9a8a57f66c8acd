CREATE SCHEMA "passing";
--> statement-breakpoint
CREATE TABLE "audit" (
	"id" text COLLATE "C" PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"person_id" text,
	"act" text NOT NULL,
	"what" text NOT NULL,
	"address" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "passkeys" (
	"id" text COLLATE "C" PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"name" text NOT NULL,
	"public_key" text NOT NULL,
	"counter" double precision NOT NULL,
	"transports" jsonb NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" text COLLATE "C" PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"mail" text NOT NULL,
	"role" text NOT NULL,
	"sees_prices" boolean DEFAULT false NOT NULL,
	"password" text,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	CONSTRAINT "people_mail_unique" UNIQUE("mail")
);
--> statement-breakpoint
CREATE TABLE "passing"."challenges" (
	"challenge" text PRIMARY KEY NOT NULL,
	"person_id" text,
	"until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "passing"."sessions" (
	"key" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"device" text NOT NULL,
	"address" text NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"turned_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "passing"."tickets" (
	"key" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"role" text NOT NULL,
	"sees_prices" boolean DEFAULT false NOT NULL,
	"person_id" text,
	"until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "named_versions" ADD COLUMN "by" text;--> statement-breakpoint
ALTER TABLE "steps" ADD COLUMN "by" text;--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit" USING btree ("at");--> statement-breakpoint
CREATE INDEX "passkeys_person" ON "passkeys" USING btree ("person_id");