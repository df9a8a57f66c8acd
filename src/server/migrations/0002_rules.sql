CREATE TABLE "rule_sets" (
	"key" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
