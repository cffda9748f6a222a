CREATE TABLE `subjects` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL
);
--> statement-breakpoint
INSERT INTO `subjects` SELECT 'mathematics', 'Mathematics' FROM `frameworks` LIMIT 1;
--> statement-breakpoint
CREATE TABLE `__new_frameworks` (
	`id` text PRIMARY KEY NOT NULL,
	`subject_id` text NOT NULL,
	`case_id` text,
	`title` text NOT NULL,
	`version` text NOT NULL,
	`language` text NOT NULL,
	`status` text NOT NULL,
	FOREIGN KEY (`subject_id`) REFERENCES `subjects`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_frameworks` SELECT `id`, 'mathematics', NULL, `name`, '1', 'en', 'adopted' FROM `frameworks`;
--> statement-breakpoint
CREATE TABLE `__new_standards` (
	`id` text PRIMARY KEY NOT NULL,
	`framework_id` text NOT NULL,
	`case_id` text,
	`parent_id` text,
	`place` integer NOT NULL,
	`type` text NOT NULL,
	`code` text NOT NULL,
	`statement` text NOT NULL,
	`grade_low` integer,
	`grade_high` integer,
	FOREIGN KEY (`framework_id`) REFERENCES `frameworks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_standards` SELECT s.`framework_id` || '/' || CASE s.`strand` WHEN 'Ratios and proportional reasoning' THEN 'ratios' ELSE s.`strand` END, s.`framework_id`, NULL, NULL, 0, 'strand', CASE s.`strand` WHEN 'Ratios and proportional reasoning' THEN 'WV R' ELSE s.`strand` END, s.`strand`, min(s.`grade`), max(s.`grade`) FROM `standards` s GROUP BY s.`framework_id`, s.`strand`;
--> statement-breakpoint
INSERT INTO `__new_standards` SELECT s.`id`, s.`framework_id`, NULL, s.`framework_id` || '/' || CASE s.`strand` WHEN 'Ratios and proportional reasoning' THEN 'ratios' ELSE s.`strand` END, row_number() OVER (ORDER BY s.rowid), 'standard', s.`code`, s.`statement`, s.`grade`, s.`grade` FROM `standards` s;
--> statement-breakpoint
CREATE TABLE `__new_skills` (
	`id` text PRIMARY KEY NOT NULL,
	`subject_id` text NOT NULL,
	`strand` text NOT NULL,
	`place` integer NOT NULL,
	`name` text NOT NULL,
	`student_name` text NOT NULL,
	`grade` integer NOT NULL,
	`difficulty` real NOT NULL,
	`difficulty_se` real,
	`lesson` text NOT NULL,
	`reteach` text NOT NULL,
	`content_hash` text,
	`retired_at` integer,
	FOREIGN KEY (`subject_id`) REFERENCES `subjects`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_skills` SELECT k.`id`, 'mathematics', s.`strand`, k.`place`, k.`name`, k.`student_name`, k.`grade`, k.`difficulty`, NULL, k.`lesson`, k.`reteach`, NULL, NULL FROM `skills` k JOIN `standards` s ON s.`id` = k.`standard_id`;
--> statement-breakpoint
CREATE TABLE `skill_standards` (
	`skill_id` text NOT NULL,
	`standard_id` text NOT NULL,
	PRIMARY KEY(`skill_id`, `standard_id`),
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`standard_id`) REFERENCES `standards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `skill_standards` SELECT `id`, `standard_id` FROM `skills`;
--> statement-breakpoint
CREATE TABLE `standard_links` (
	`from_id` text NOT NULL,
	`to_id` text NOT NULL,
	`kind` text NOT NULL,
	`source` text NOT NULL,
	PRIMARY KEY(`from_id`, `to_id`, `kind`),
	FOREIGN KEY (`from_id`) REFERENCES `standards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`to_id`) REFERENCES `standards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `items` (
	`id` text PRIMARY KEY NOT NULL,
	`shipped` integer DEFAULT false NOT NULL,
	`retired_at` integer
);
--> statement-breakpoint
CREATE TABLE `item_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`item_id` text NOT NULL,
	`number` integer NOT NULL,
	`body` text NOT NULL,
	`depth` integer,
	`calculator` integer DEFAULT false NOT NULL,
	`language` text DEFAULT 'en' NOT NULL,
	`status` text NOT NULL,
	`content_hash` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `item_skills` (
	`item_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`place` integer NOT NULL,
	PRIMARY KEY(`item_id`, `skill_id`),
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `item_standards` (
	`item_id` text NOT NULL,
	`standard_id` text NOT NULL,
	PRIMARY KEY(`item_id`, `standard_id`),
	FOREIGN KEY (`item_id`) REFERENCES `items`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`standard_id`) REFERENCES `standards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `item_parameters` (
	`id` text PRIMARY KEY NOT NULL,
	`version_id` text NOT NULL,
	`source` text NOT NULL,
	`a` real NOT NULL,
	`b` real NOT NULL,
	`c` real NOT NULL,
	`a_se` real,
	`b_se` real,
	`c_se` real,
	`answers` integer,
	`in_force_from` integer NOT NULL,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `items` SELECT m.`id`, 1, m.`retired_at` FROM `item_models` m WHERE m.`version` = (SELECT max(o.`version`) FROM `item_models` o WHERE o.`id` = m.`id`);
--> statement-breakpoint
INSERT INTO `item_versions` SELECT m.`id` || '@' || m.`version`, m.`id`, m.`version`, json_set(json_remove(m.`model`, '$.id', '$.kind', '$.answer', '$.right', '$.misconceptions', '$.unit', '$.answerFormat', '$.form', '$.option', '$.key', '$.fillers'), '$.parts', json_array(json(CASE json_extract(m.`model`, '$.kind') WHEN 'numeric' THEN json_patch(json_object('id', 'a', 'kind', 'number', 'answer', json_extract(m.`model`, '$.answer'), 'right', json_extract(m.`model`, '$.right'), 'misconceptions', json(json_extract(m.`model`, '$.misconceptions'))), json_object('unit', json(json_extract(m.`model`, '$.unit')), 'answerFormat', json_extract(m.`model`, '$.answerFormat'), 'form', json_extract(m.`model`, '$.form'))) ELSE json_object('id', 'a', 'kind', 'single-choice', 'option', json_extract(m.`model`, '$.option'), 'right', json_extract(m.`model`, '$.right'), 'options', json((SELECT json_group_array(json(o)) FROM (
    SELECT 0 AS k, 0 AS n, json_object('id', 'key', 'values', json(json_extract(m.`model`, '$.key'))) AS o
    UNION ALL SELECT 1, e.key, json_object('id', json_extract(e.value, '$.id') || CASE (SELECT count(*) FROM json_each(m.`model`, '$.misconceptions') b WHERE b.key < e.key AND json_extract(b.value, '$.id') = json_extract(e.value, '$.id')) WHEN 0 THEN '' ELSE '-' || (1 + (SELECT count(*) FROM json_each(m.`model`, '$.misconceptions') b WHERE b.key < e.key AND json_extract(b.value, '$.id') = json_extract(e.value, '$.id'))) END, 'values', json(json_extract(e.value, '$.values')), 'misconceptionId', json_extract(e.value, '$.id')) FROM json_each(m.`model`, '$.misconceptions') e
    UNION ALL SELECT 2, f.key, json_object('id', 'other-' || (f.key + 1), 'values', json(f.value)) FROM json_each(m.`model`, '$.fillers') f
    ORDER BY 1, 2)))) END))), NULL, 0, 'en', 'ready', '', 0 FROM `item_models` m;
--> statement-breakpoint
INSERT OR IGNORE INTO `item_skills` SELECT `id`, `skill_id`, 0 FROM `item_models`;
--> statement-breakpoint
INSERT OR IGNORE INTO `items` SELECT m, 0, 0 FROM (SELECT `model_id` AS m, `model_version` AS v FROM `answers` UNION SELECT json_extract(p.value, '$.modelId'), json_extract(p.value, '$.modelVersion') FROM `sittings` s, json_each(s.`presentations`) p);
--> statement-breakpoint
INSERT OR IGNORE INTO `item_versions` SELECT m || '@' || v, m, v, '{"parameters":{},"stem":"This item is not in the library any more.","contexts":{"none":{}},"difficultyOffset":"0","hint":"","solution":"","parts":[]}', NULL, 0, 'en', 'draft', '', 0 FROM (SELECT `model_id` AS m, `model_version` AS v FROM `answers` UNION SELECT json_extract(p.value, '$.modelId'), json_extract(p.value, '$.modelVersion') FROM `sittings` s, json_each(s.`presentations`) p);
--> statement-breakpoint
CREATE TABLE `__option_orders` (`version_id` text NOT NULL, `seed` integer NOT NULL, `ids` text NOT NULL, PRIMARY KEY(`version_id`, `seed`));
--> statement-breakpoint
INSERT INTO `__option_orders` SELECT i.key || '@1', d.key, d.value FROM json_each('{"times-as-many/find-the-larger":[["key","added-the-factor","one-time-too-few","other-1"],["other-1","added-the-factor","key","one-time-too-few"],["key","added-the-factor","one-time-too-few","other-1"],["added-the-factor","other-1","one-time-too-few","key"],["one-time-too-few","key","other-1","added-the-factor"],["key","one-time-too-few","added-the-factor","other-1"],["other-1","key","added-the-factor","one-time-too-few"],["key","other-1","added-the-factor","one-time-too-few"],["one-time-too-few","added-the-factor","key","other-1"],["added-the-factor","key","other-1","one-time-too-few"],["one-time-too-few","key","added-the-factor","other-1"],["key","one-time-too-few","other-1","added-the-factor"],["added-the-factor","key","other-1","one-time-too-few"],["one-time-too-few","other-1","added-the-factor","key"],["other-1","added-the-factor","one-time-too-few","key"],["added-the-factor","other-1","key","one-time-too-few"],["one-time-too-few","added-the-factor","other-1","key"],["key","one-time-too-few","added-the-factor","other-1"],["other-1","key","one-time-too-few","added-the-factor"],["other-1","key","added-the-factor","one-time-too-few"],["key","other-1","added-the-factor","one-time-too-few"],["one-time-too-few","key","added-the-factor","other-1"],["other-1","added-the-factor","one-time-too-few","key"],["key","one-time-too-few","other-1","added-the-factor"],["other-1","key","added-the-factor","one-time-too-few"],["other-1","added-the-factor","one-time-too-few","key"],["one-time-too-few","added-the-factor","other-1","key"],["one-time-too-few","added-the-factor","other-1","key"],["one-time-too-few","added-the-factor","key","other-1"],["other-1","one-time-too-few","added-the-factor","key"],["other-1","key","one-time-too-few","added-the-factor"],["one-time-too-few","key","added-the-factor","other-1"],["key","one-time-too-few","other-1","added-the-factor"],["added-the-factor","other-1","key","one-time-too-few"],["other-1","added-the-factor","one-time-too-few","key"],["one-time-too-few","key","added-the-factor","other-1"],["key","added-the-factor","one-time-too-few","other-1"],["key","added-the-factor","other-1","one-time-too-few"],["other-1","key","one-time-too-few","added-the-factor"],["other-1","added-the-factor","key","one-time-too-few"],["added-the-factor","other-1","key","one-time-too-few"],["one-time-too-few","added-the-factor","other-1","key"],["added-the-factor","key","one-time-too-few","other-1"],["added-the-factor","other-1","key","one-time-too-few"],["key","one-time-too-few","added-the-factor","other-1"],["one-time-too-few","added-the-factor","other-1","key"],["added-the-factor","one-time-too-few","other-1","key"],["other-1","one-time-too-few","key","added-the-factor"],["key","added-the-factor","one-time-too-few","other-1"],["one-time-too-few","added-the-factor","key","other-1"],["one-time-too-few","added-the-factor","other-1","key"],["other-1","key","added-the-factor","one-time-too-few"],["key","other-1","one-time-too-few","added-the-factor"],["one-time-too-few","added-the-factor","other-1","key"],["added-the-factor","key","other-1","one-time-too-few"],["key","added-the-factor","one-time-too-few","other-1"],["added-the-factor","key","one-time-too-few","other-1"],["other-1","added-the-factor","one-time-too-few","key"],["other-1","key","one-time-too-few","added-the-factor"],["other-1","added-the-factor","key","one-time-too-few"]],"equivalent-fractions/which-is-equal":[["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["key","added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["key","turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only"],["turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only","key"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only","key"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["key","scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["key","added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only","key"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"],["key","scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"]],"fractions-of-amounts/find-the-rest":[["took-the-rest","one-share-only","other-1","key"],["other-1","one-share-only","took-the-rest","key"],["took-the-rest","other-2","other-1","key"],["one-share-only","other-1","took-the-rest","key"],["key","other-1","took-the-rest","one-share-only"],["took-the-rest","key","one-share-only","other-1"],["other-2","other-1","key","took-the-rest"],["took-the-rest","other-2","key","other-1"],["other-1","took-the-rest","key","one-share-only"],["other-1","key","took-the-rest"],["other-1","one-share-only","took-the-rest","key"],["one-share-only","other-1","key","took-the-rest"],["one-share-only","took-the-rest","key","other-1"],["took-the-rest","key","other-1","other-2"],["key","other-1","other-2","took-the-rest"],["took-the-rest","one-share-only","key","other-1"],["other-2","key","took-the-rest"],["key","took-the-rest","other-2","other-1"],["took-the-rest","other-1","one-share-only","key"],["key","took-the-rest","other-1"],["key","took-the-rest","other-2","other-1"],["took-the-rest","other-1","one-share-only","key"],["other-2","key","other-1","took-the-rest"],["key","took-the-rest","other-1","one-share-only"],["took-the-rest","other-2","other-1","key"],["took-the-rest","one-share-only","key","other-1"],["other-2","other-1","took-the-rest","key"],["key","took-the-rest","other-1"],["took-the-rest","key","other-2","other-1"],["other-1","took-the-rest","one-share-only","key"],["other-1","key","took-the-rest","one-share-only"],["other-1","key","took-the-rest","one-share-only"],["one-share-only","took-the-rest","key","other-1"],["key","other-1","took-the-rest","one-share-only"],["took-the-rest","other-1","key","other-2"],["key","other-1","took-the-rest"],["key","took-the-rest","other-1","other-2"],["took-the-rest","other-1","one-share-only","key"],["other-1","took-the-rest","key","other-2"],["took-the-rest","key","one-share-only","other-1"],["one-share-only","took-the-rest","key","other-1"],["took-the-rest","other-1","key","one-share-only"],["one-share-only","key","other-1","took-the-rest"],["key","took-the-rest","other-1","one-share-only"],["other-1","took-the-rest","key","one-share-only"],["key","took-the-rest","other-1"],["key","other-1","took-the-rest","one-share-only"],["one-share-only","key","took-the-rest","other-1"],["one-share-only","key","took-the-rest","other-1"],["other-2","took-the-rest","key","other-1"],["took-the-rest","other-1","other-2","key"],["other-1","took-the-rest","key","other-2"],["key","one-share-only","took-the-rest","other-1"],["key","took-the-rest","one-share-only","other-1"],["key","took-the-rest","other-1","one-share-only"],["key","took-the-rest","other-1","one-share-only"],["took-the-rest","one-share-only","other-1","key"],["took-the-rest","other-2","other-1","key"],["other-2","other-1","key","took-the-rest"],["key","took-the-rest","other-1","other-2"]],"scaling-by-a-fraction/new-length":[["added-the-fraction","multiplying-makes-bigger","one-share-only","key"],["multiplying-makes-bigger","key","added-the-fraction","one-share-only"],["key","multiplying-makes-bigger","one-share-only","added-the-fraction"],["added-the-fraction","one-share-only","multiplying-makes-bigger","key"],["multiplying-makes-bigger","one-share-only","key","added-the-fraction"],["multiplying-makes-bigger","one-share-only","added-the-fraction","key"],["added-the-fraction","one-share-only","multiplying-makes-bigger","key"],["key","added-the-fraction","one-share-only","multiplying-makes-bigger"],["key","multiplying-makes-bigger","added-the-fraction","one-share-only"],["one-share-only","multiplying-makes-bigger","added-the-fraction","key"],["multiplying-makes-bigger","one-share-only","added-the-fraction","key"],["key","one-share-only","multiplying-makes-bigger","added-the-fraction"],["multiplying-makes-bigger","added-the-fraction","key","one-share-only"],["one-share-only","multiplying-makes-bigger","added-the-fraction","key"],["multiplying-makes-bigger","key","added-the-fraction","one-share-only"],["one-share-only","key","added-the-fraction","multiplying-makes-bigger"],["one-share-only","multiplying-makes-bigger","added-the-fraction","key"],["multiplying-makes-bigger","added-the-fraction","key","one-share-only"],["added-the-fraction","multiplying-makes-bigger","one-share-only","key"],["one-share-only","key","added-the-fraction","multiplying-makes-bigger"],["one-share-only","added-the-fraction","multiplying-makes-bigger","key"],["one-share-only","key","multiplying-makes-bigger","added-the-fraction"],["key","one-share-only","multiplying-makes-bigger","added-the-fraction"],["multiplying-makes-bigger","added-the-fraction","one-share-only","key"],["multiplying-makes-bigger","one-share-only","key","added-the-fraction"],["multiplying-makes-bigger","one-share-only","added-the-fraction","key"],["one-share-only","multiplying-makes-bigger","key","added-the-fraction"],["one-share-only","multiplying-makes-bigger","added-the-fraction","key"],["key","added-the-fraction","multiplying-makes-bigger","one-share-only"],["added-the-fraction","key","one-share-only","multiplying-makes-bigger"],["multiplying-makes-bigger","key","added-the-fraction","one-share-only"],["added-the-fraction","key","multiplying-makes-bigger","one-share-only"],["multiplying-makes-bigger","added-the-fraction","one-share-only","key"],["key","one-share-only","multiplying-makes-bigger","added-the-fraction"],["multiplying-makes-bigger","key","added-the-fraction","one-share-only"],["key","added-the-fraction","multiplying-makes-bigger","one-share-only"],["key","one-share-only","multiplying-makes-bigger","added-the-fraction"],["key","one-share-only","multiplying-makes-bigger","added-the-fraction"],["key","one-share-only","added-the-fraction","multiplying-makes-bigger"],["key","multiplying-makes-bigger","one-share-only","added-the-fraction"],["added-the-fraction","multiplying-makes-bigger","one-share-only","key"],["multiplying-makes-bigger","key","added-the-fraction","one-share-only"],["added-the-fraction","one-share-only","key","multiplying-makes-bigger"],["multiplying-makes-bigger","key","one-share-only","added-the-fraction"],["one-share-only","added-the-fraction","multiplying-makes-bigger","key"],["key","multiplying-makes-bigger","one-share-only","added-the-fraction"],["added-the-fraction","key","multiplying-makes-bigger","one-share-only"],["added-the-fraction","one-share-only","key","multiplying-makes-bigger"],["key","one-share-only","added-the-fraction","multiplying-makes-bigger"],["key","added-the-fraction","one-share-only","multiplying-makes-bigger"],["added-the-fraction","one-share-only","key","multiplying-makes-bigger"],["added-the-fraction","multiplying-makes-bigger","key","one-share-only"],["key","multiplying-makes-bigger","one-share-only","added-the-fraction"],["multiplying-makes-bigger","key","added-the-fraction","one-share-only"],["key","added-the-fraction","one-share-only","multiplying-makes-bigger"],["multiplying-makes-bigger","key","one-share-only","added-the-fraction"],["one-share-only","key","multiplying-makes-bigger","added-the-fraction"],["multiplying-makes-bigger","added-the-fraction","one-share-only","key"],["key","one-share-only","multiplying-makes-bigger","added-the-fraction"],["one-share-only","added-the-fraction","key","multiplying-makes-bigger"]],"ratio-language/name-the-ratio":[["other-1","key","took-part-for-whole","turned-the-ratio-round"],["turned-the-ratio-round","key","other-1","took-part-for-whole"],["other-1","took-part-for-whole","key","turned-the-ratio-round"],["key","took-part-for-whole","turned-the-ratio-round","other-1"],["other-1","took-part-for-whole","key","turned-the-ratio-round"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["key","other-1","took-part-for-whole","turned-the-ratio-round"],["turned-the-ratio-round","other-1","took-part-for-whole","key"],["other-1","took-part-for-whole","key","turned-the-ratio-round"],["key","other-1","took-part-for-whole","turned-the-ratio-round"],["took-part-for-whole","turned-the-ratio-round","other-1","key"],["took-part-for-whole","other-1","turned-the-ratio-round","key"],["other-1","turned-the-ratio-round","key","took-part-for-whole"],["turned-the-ratio-round","other-1","took-part-for-whole","key"],["took-part-for-whole","key","other-1","turned-the-ratio-round"],["took-part-for-whole","turned-the-ratio-round","key","other-1"],["other-1","key","took-part-for-whole","turned-the-ratio-round"],["took-part-for-whole","turned-the-ratio-round","key","other-1"],["turned-the-ratio-round","other-1","took-part-for-whole","key"],["other-1","turned-the-ratio-round","key","took-part-for-whole"],["other-1","turned-the-ratio-round","key","took-part-for-whole"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["other-1","key","turned-the-ratio-round","took-part-for-whole"],["took-part-for-whole","other-1","key","turned-the-ratio-round"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["key","other-1","turned-the-ratio-round","took-part-for-whole"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["turned-the-ratio-round","key","took-part-for-whole","other-1"],["other-1","key","took-part-for-whole","turned-the-ratio-round"],["turned-the-ratio-round","took-part-for-whole","key","other-1"],["took-part-for-whole","key","turned-the-ratio-round","other-1"],["key","turned-the-ratio-round","took-part-for-whole","other-1"],["turned-the-ratio-round","took-part-for-whole","other-1","key"],["key","took-part-for-whole","turned-the-ratio-round","other-1"],["other-1","key","turned-the-ratio-round","took-part-for-whole"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["key","turned-the-ratio-round","other-1","took-part-for-whole"],["turned-the-ratio-round","took-part-for-whole","key","other-1"],["key","turned-the-ratio-round","took-part-for-whole","other-1"],["took-part-for-whole","key","other-1","turned-the-ratio-round"],["turned-the-ratio-round","took-part-for-whole","key","other-1"],["turned-the-ratio-round","key","other-1","took-part-for-whole"],["key","turned-the-ratio-round","took-part-for-whole","other-1"],["other-1","turned-the-ratio-round","took-part-for-whole","key"],["other-1","took-part-for-whole","turned-the-ratio-round","key"],["took-part-for-whole","key","other-1","turned-the-ratio-round"],["other-1","turned-the-ratio-round","key","took-part-for-whole"],["key","turned-the-ratio-round","other-1","took-part-for-whole"],["turned-the-ratio-round","other-1","took-part-for-whole","key"],["took-part-for-whole","turned-the-ratio-round","other-1","key"],["other-1","key","turned-the-ratio-round","took-part-for-whole"],["turned-the-ratio-round","took-part-for-whole","key","other-1"],["key","other-1","took-part-for-whole","turned-the-ratio-round"],["took-part-for-whole","key","turned-the-ratio-round","other-1"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["key","other-1","turned-the-ratio-round","took-part-for-whole"],["key","took-part-for-whole","other-1","turned-the-ratio-round"],["turned-the-ratio-round","took-part-for-whole","key","other-1"],["other-1","took-part-for-whole","key","turned-the-ratio-round"]],"equivalent-ratios/same-mix":[["added-instead-of-scaled","key","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled","key"],["key","scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"],["added-instead-of-scaled","turned-the-ratio-round","key","scaled-one-side-only"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["key","turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["key","scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["key","added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["key","scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["key","added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only"],["added-instead-of-scaled","turned-the-ratio-round","key","scaled-one-side-only"],["key","turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only"],["turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only","key"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled","key"],["turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only","key"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["added-instead-of-scaled","key","scaled-one-side-only","turned-the-ratio-round"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled","key"],["key","turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"]],"ratio-tables/which-column":[["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["added-instead-of-scaled","key","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["key","added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["added-instead-of-scaled","key","scaled-one-side-only","turned-the-ratio-round"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["key","added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only"],["turned-the-ratio-round","added-instead-of-scaled","scaled-one-side-only","key"],["added-instead-of-scaled","turned-the-ratio-round","key","scaled-one-side-only"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only","key"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["key","added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled","key"],["added-instead-of-scaled","scaled-one-side-only","key","turned-the-ratio-round"],["turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled","key"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["added-instead-of-scaled","turned-the-ratio-round","key","scaled-one-side-only"],["added-instead-of-scaled","scaled-one-side-only","turned-the-ratio-round","key"],["key","scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["scaled-one-side-only","turned-the-ratio-round","added-instead-of-scaled","key"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["added-instead-of-scaled","turned-the-ratio-round","scaled-one-side-only","key"],["key","turned-the-ratio-round","scaled-one-side-only","added-instead-of-scaled"],["added-instead-of-scaled","key","turned-the-ratio-round","scaled-one-side-only"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["scaled-one-side-only","key","turned-the-ratio-round","added-instead-of-scaled"],["turned-the-ratio-round","added-instead-of-scaled","key","scaled-one-side-only"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["scaled-one-side-only","added-instead-of-scaled","turned-the-ratio-round","key"],["turned-the-ratio-round","key","scaled-one-side-only","added-instead-of-scaled"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["scaled-one-side-only","turned-the-ratio-round","key","added-instead-of-scaled"],["scaled-one-side-only","added-instead-of-scaled","key","turned-the-ratio-round"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"],["added-instead-of-scaled","turned-the-ratio-round","key","scaled-one-side-only"],["turned-the-ratio-round","key","added-instead-of-scaled","scaled-one-side-only"],["turned-the-ratio-round","scaled-one-side-only","key","added-instead-of-scaled"],["scaled-one-side-only","key","added-instead-of-scaled","turned-the-ratio-round"]],"unit-rates/which-rate":[["turned-the-ratio-round","compared-by-difference","other-1","key"],["key","other-1","compared-by-difference","turned-the-ratio-round"],["other-1","turned-the-ratio-round","key","compared-by-difference"],["turned-the-ratio-round","compared-by-difference","key","other-1"],["compared-by-difference","key","other-1","turned-the-ratio-round"],["other-1","key","turned-the-ratio-round","compared-by-difference"],["other-1","key","compared-by-difference","turned-the-ratio-round"],["key","compared-by-difference","turned-the-ratio-round","other-1"],["other-1","compared-by-difference","key","turned-the-ratio-round"],["other-1","compared-by-difference","key","turned-the-ratio-round"],["compared-by-difference","other-1","key","turned-the-ratio-round"],["compared-by-difference","turned-the-ratio-round","key","other-1"],["compared-by-difference","key","other-1","turned-the-ratio-round"],["compared-by-difference","turned-the-ratio-round","key","other-1"],["other-1","turned-the-ratio-round","key","compared-by-difference"],["compared-by-difference","key","turned-the-ratio-round","other-1"],["turned-the-ratio-round","compared-by-difference","other-1","key"],["key","compared-by-difference","other-1","turned-the-ratio-round"],["other-1","key","turned-the-ratio-round","compared-by-difference"],["other-1","key","compared-by-difference","turned-the-ratio-round"],["compared-by-difference","turned-the-ratio-round","key","other-1"],["other-1","turned-the-ratio-round","key","compared-by-difference"],["compared-by-difference","turned-the-ratio-round","key","other-1"],["turned-the-ratio-round","compared-by-difference","other-1","key"],["turned-the-ratio-round","key","other-1","compared-by-difference"],["other-1","key","turned-the-ratio-round","compared-by-difference"],["turned-the-ratio-round","key","other-1","compared-by-difference"],["turned-the-ratio-round","other-1","compared-by-difference","key"],["turned-the-ratio-round","compared-by-difference","key","other-1"],["other-1","compared-by-difference","key","turned-the-ratio-round"],["key","turned-the-ratio-round","other-1","compared-by-difference"],["compared-by-difference","key","turned-the-ratio-round","other-1"],["turned-the-ratio-round","compared-by-difference","key","other-1"],["turned-the-ratio-round","other-1","key","compared-by-difference"],["other-1","compared-by-difference","key","turned-the-ratio-round"],["key","compared-by-difference","other-1","turned-the-ratio-round"],["other-1","compared-by-difference","turned-the-ratio-round","key"],["turned-the-ratio-round","key","other-1","compared-by-difference"],["key","turned-the-ratio-round","compared-by-difference","other-1"],["other-1","compared-by-difference","turned-the-ratio-round","key"],["key","compared-by-difference","turned-the-ratio-round","other-1"],["key","turned-the-ratio-round","compared-by-difference","other-1"],["turned-the-ratio-round","other-1","compared-by-difference","key"],["key","compared-by-difference","turned-the-ratio-round","other-1"],["other-1","compared-by-difference","turned-the-ratio-round","key"],["other-1","turned-the-ratio-round","key","compared-by-difference"],["other-1","compared-by-difference","key","turned-the-ratio-round"],["turned-the-ratio-round","compared-by-difference","key","other-1"],["compared-by-difference","other-1","key","turned-the-ratio-round"],["other-1","key","compared-by-difference","turned-the-ratio-round"],["compared-by-difference","other-1","turned-the-ratio-round","key"],["compared-by-difference","turned-the-ratio-round","other-1","key"],["compared-by-difference","turned-the-ratio-round","key","other-1"],["other-1","compared-by-difference","turned-the-ratio-round","key"],["turned-the-ratio-round","key","compared-by-difference","other-1"],["turned-the-ratio-round","other-1","compared-by-difference","key"],["key","turned-the-ratio-round","other-1","compared-by-difference"],["key","other-1","turned-the-ratio-round","compared-by-difference"],["other-1","turned-the-ratio-round","key","compared-by-difference"],["key","other-1","turned-the-ratio-round","compared-by-difference"]],"comparing-rates/best-value":[["looked-at-price-only","looked-at-amount-only","key"],["looked-at-price-only","looked-at-amount-only","key"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-price-only","looked-at-amount-only","key"],["key","looked-at-price-only","looked-at-amount-only"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-price-only","key","looked-at-amount-only"],["looked-at-amount-only","key","looked-at-price-only"],["key","looked-at-price-only","looked-at-amount-only"],["looked-at-price-only","looked-at-amount-only","key"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-amount-only","key","looked-at-price-only"],["key","looked-at-amount-only","looked-at-price-only"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-amount-only","looked-at-price-only","key"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-price-only","key","looked-at-amount-only"],["key","looked-at-price-only","looked-at-amount-only"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-price-only","looked-at-amount-only","key"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-price-only","looked-at-amount-only","key"],["key","looked-at-price-only","looked-at-amount-only"],["looked-at-price-only","key","looked-at-amount-only"],["looked-at-amount-only","key","looked-at-price-only"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-price-only","key","looked-at-amount-only"],["looked-at-price-only","key","looked-at-amount-only"],["looked-at-amount-only","looked-at-price-only","key"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-price-only","key","looked-at-amount-only"],["looked-at-amount-only","looked-at-price-only","key"],["looked-at-price-only","key","looked-at-amount-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-amount-only","looked-at-price-only","key"],["key","looked-at-price-only","looked-at-amount-only"],["looked-at-amount-only","key","looked-at-price-only"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-amount-only","looked-at-price-only","key"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-price-only","looked-at-amount-only","key"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-amount-only","looked-at-price-only","key"],["looked-at-price-only","looked-at-amount-only","key"],["looked-at-price-only","looked-at-amount-only","key"],["key","looked-at-amount-only","looked-at-price-only"],["looked-at-amount-only","looked-at-price-only","key"],["key","looked-at-price-only","looked-at-amount-only"],["looked-at-amount-only","key","looked-at-price-only"],["looked-at-price-only","key","looked-at-amount-only"],["key","looked-at-price-only","looked-at-amount-only"],["looked-at-price-only","looked-at-amount-only","key"],["looked-at-amount-only","looked-at-price-only","key"],["key","looked-at-price-only","looked-at-amount-only"],["looked-at-amount-only","looked-at-price-only","key"]],"percent-of-amounts/after-reduction":[["percent-as-amount","other-1","took-the-rest","key"],["took-the-rest","percent-as-amount","other-1","key"],["key","percent-as-amount","took-the-rest","other-1"],["took-the-rest","key","percent-as-amount","other-1"],["other-1","key","took-the-rest","percent-as-amount"],["percent-as-amount","key","other-1","took-the-rest"],["percent-as-amount","took-the-rest","key","other-1"],["percent-as-amount","key","other-1","took-the-rest"],["percent-as-amount","took-the-rest","other-1","key"],["took-the-rest","percent-as-amount","key","other-1"],["key","took-the-rest","percent-as-amount","other-1"],["other-1","key","took-the-rest","percent-as-amount"],["percent-as-amount","took-the-rest","key","other-1"],["other-1","key","took-the-rest","percent-as-amount"],["other-1","key","percent-as-amount","took-the-rest"],["percent-as-amount","key","other-1","took-the-rest"],["key","other-1","took-the-rest","percent-as-amount"],["took-the-rest","key","percent-as-amount","other-1"],["key","percent-as-amount","other-1","took-the-rest"],["other-1","key","took-the-rest","percent-as-amount"],["key","other-1","percent-as-amount","took-the-rest"],["key","percent-as-amount","other-1","took-the-rest"],["key","percent-as-amount","took-the-rest","other-1"],["key","took-the-rest","other-1","percent-as-amount"],["took-the-rest","percent-as-amount","other-1","key"],["key","percent-as-amount","took-the-rest","other-1"],["percent-as-amount","key","other-1","took-the-rest"],["took-the-rest","percent-as-amount","other-1","key"],["percent-as-amount","took-the-rest","key","other-1"],["other-1","key","took-the-rest","percent-as-amount"],["key","took-the-rest","percent-as-amount","other-1"],["took-the-rest","percent-as-amount","key","other-1"],["percent-as-amount","took-the-rest","other-1","key"],["percent-as-amount","key","other-1","took-the-rest"],["key","took-the-rest","percent-as-amount","other-1"],["percent-as-amount","key","other-1","took-the-rest"],["key","percent-as-amount","other-1","took-the-rest"],["took-the-rest","key","other-1","percent-as-amount"],["percent-as-amount","took-the-rest","other-1","key"],["other-1","key","percent-as-amount","took-the-rest"],["other-1","key","percent-as-amount","took-the-rest"],["percent-as-amount","key","took-the-rest","other-1"],["other-1","took-the-rest","percent-as-amount","key"],["percent-as-amount","took-the-rest","key","other-1"],["other-1","key","percent-as-amount","took-the-rest"],["took-the-rest","other-1","percent-as-amount","key"],["took-the-rest","percent-as-amount","other-1","key"],["percent-as-amount","other-1","took-the-rest","key"],["other-1","took-the-rest","percent-as-amount","key"],["took-the-rest","other-1","percent-as-amount","key"],["took-the-rest","percent-as-amount","key","other-1"],["other-1","took-the-rest","key","percent-as-amount"],["key","other-1","percent-as-amount","took-the-rest"],["other-1","percent-as-amount","key","took-the-rest"],["percent-as-amount","other-1","took-the-rest","key"],["key","took-the-rest","percent-as-amount","other-1"],["percent-as-amount","other-1","key","took-the-rest"],["percent-as-amount","took-the-rest","key","other-1"],["other-1","took-the-rest","percent-as-amount","key"],["took-the-rest","key","other-1","percent-as-amount"]],"proportional-or-not/which-pairs":[["constant-difference","key","other-1","overlooked-the-start"],["other-1","overlooked-the-start","constant-difference","key"],["other-1","constant-difference","overlooked-the-start","key"],["overlooked-the-start","other-1","key","constant-difference"],["other-1","constant-difference","overlooked-the-start","key"],["key","overlooked-the-start","constant-difference","other-1"],["overlooked-the-start","key","other-1","constant-difference"],["constant-difference","overlooked-the-start","other-1","key"],["constant-difference","key","overlooked-the-start","other-1"],["key","other-1","overlooked-the-start","constant-difference"],["overlooked-the-start","key","constant-difference","other-1"],["overlooked-the-start","other-1","key","constant-difference"],["overlooked-the-start","other-1","constant-difference","key"],["key","overlooked-the-start","constant-difference","other-1"],["overlooked-the-start","other-1","key","constant-difference"],["overlooked-the-start","key","constant-difference","other-1"],["constant-difference","key","other-1","overlooked-the-start"],["overlooked-the-start","other-1","constant-difference","key"],["key","other-1","constant-difference","overlooked-the-start"],["key","other-1","constant-difference","overlooked-the-start"],["overlooked-the-start","constant-difference","key","other-1"],["other-1","key","overlooked-the-start","constant-difference"],["overlooked-the-start","constant-difference","other-1","key"],["overlooked-the-start","key","constant-difference","other-1"],["other-1","overlooked-the-start","key","constant-difference"],["overlooked-the-start","key","other-1","constant-difference"],["overlooked-the-start","constant-difference","key","other-1"],["overlooked-the-start","key","constant-difference","other-1"],["overlooked-the-start","other-1","constant-difference","key"],["constant-difference","key","overlooked-the-start","other-1"],["overlooked-the-start","key","constant-difference","other-1"],["overlooked-the-start","other-1","constant-difference","key"],["constant-difference","other-1","overlooked-the-start","key"],["constant-difference","other-1","key","overlooked-the-start"],["constant-difference","overlooked-the-start","other-1","key"],["key","constant-difference","overlooked-the-start","other-1"],["overlooked-the-start","key","other-1","constant-difference"],["overlooked-the-start","constant-difference","other-1","key"],["key","overlooked-the-start","other-1","constant-difference"],["constant-difference","overlooked-the-start","key","other-1"],["other-1","overlooked-the-start","constant-difference","key"],["overlooked-the-start","key","constant-difference","other-1"],["constant-difference","key","other-1","overlooked-the-start"],["key","constant-difference","overlooked-the-start","other-1"],["overlooked-the-start","key","other-1","constant-difference"],["constant-difference","other-1","key","overlooked-the-start"],["key","overlooked-the-start","constant-difference","other-1"],["other-1","key","overlooked-the-start","constant-difference"],["other-1","overlooked-the-start","key","constant-difference"],["key","other-1","overlooked-the-start","constant-difference"],["other-1","overlooked-the-start","constant-difference","key"],["constant-difference","overlooked-the-start","key","other-1"],["overlooked-the-start","other-1","constant-difference","key"],["other-1","constant-difference","key","overlooked-the-start"],["other-1","overlooked-the-start","key","constant-difference"],["constant-difference","overlooked-the-start","other-1","key"],["key","constant-difference","overlooked-the-start","other-1"],["overlooked-the-start","other-1","key","constant-difference"],["key","overlooked-the-start","constant-difference","other-1"],["other-1","overlooked-the-start","constant-difference","key"]],"constant-of-proportionality/which-rule":[["key","other-1","constant-difference","turned-the-ratio-round"],["constant-difference","other-1","key","turned-the-ratio-round"],["constant-difference","turned-the-ratio-round","other-1","key"],["constant-difference","other-1","turned-the-ratio-round","key"],["turned-the-ratio-round","constant-difference","other-1","key"],["other-1","turned-the-ratio-round","key","constant-difference"],["other-1","constant-difference","key","turned-the-ratio-round"],["turned-the-ratio-round","key","constant-difference","other-1"],["key","constant-difference","other-1","turned-the-ratio-round"],["turned-the-ratio-round","other-1","key","constant-difference"],["other-1","turned-the-ratio-round","constant-difference","key"],["turned-the-ratio-round","constant-difference","other-1","key"],["key","turned-the-ratio-round","other-1","constant-difference"],["other-1","other-2","key","turned-the-ratio-round"],["turned-the-ratio-round","other-1","constant-difference","key"],["constant-difference","key","turned-the-ratio-round","other-1"],["turned-the-ratio-round","other-1","key","constant-difference"],["other-1","key","constant-difference","turned-the-ratio-round"],["constant-difference","key","other-1","turned-the-ratio-round"],["key","constant-difference","other-1","turned-the-ratio-round"],["other-1","key","constant-difference","turned-the-ratio-round"],["constant-difference","turned-the-ratio-round","other-1","key"],["constant-difference","turned-the-ratio-round","other-1","key"],["constant-difference","turned-the-ratio-round","key","other-1"],["other-1","turned-the-ratio-round","key","constant-difference"],["turned-the-ratio-round","other-1","key","constant-difference"],["key","constant-difference","turned-the-ratio-round","other-1"],["constant-difference","turned-the-ratio-round","other-1","key"],["turned-the-ratio-round","constant-difference","other-1","key"],["key","turned-the-ratio-round","other-1","constant-difference"],["key","turned-the-ratio-round","other-1","constant-difference"],["key","constant-difference","other-1","turned-the-ratio-round"],["key","other-1","constant-difference","turned-the-ratio-round"],["constant-difference","other-1","key","turned-the-ratio-round"],["constant-difference","key","turned-the-ratio-round","other-1"],["other-1","constant-difference","key","turned-the-ratio-round"],["turned-the-ratio-round","key","other-1","constant-difference"],["constant-difference","turned-the-ratio-round","key","other-1"],["other-1","turned-the-ratio-round","key","constant-difference"],["constant-difference","other-1","turned-the-ratio-round","key"],["turned-the-ratio-round","constant-difference","key","other-1"],["other-1","key","constant-difference","turned-the-ratio-round"],["turned-the-ratio-round","constant-difference","key","other-1"],["constant-difference","other-1","turned-the-ratio-round","key"],["other-1","constant-difference","key","turned-the-ratio-round"],["turned-the-ratio-round","constant-difference","key","other-1"],["constant-difference","other-1","key","turned-the-ratio-round"],["key","turned-the-ratio-round","other-1","constant-difference"],["key","turned-the-ratio-round","other-1","constant-difference"],["constant-difference","turned-the-ratio-round","other-1","key"],["key","other-1","turned-the-ratio-round","constant-difference"],["turned-the-ratio-round","key","other-1","constant-difference"],["key","other-1","turned-the-ratio-round","constant-difference"],["key","turned-the-ratio-round","constant-difference","other-1"],["key","other-1","turned-the-ratio-round","constant-difference"],["turned-the-ratio-round","key","constant-difference","other-1"],["constant-difference","other-1","turned-the-ratio-round","key"],["key","other-1","constant-difference","turned-the-ratio-round"],["constant-difference","other-1","key","turned-the-ratio-round"],["other-1","key","turned-the-ratio-round","constant-difference"]]}') i, json_each(i.value) d;
--> statement-breakpoint
CREATE TABLE `parts` (
	`id` text PRIMARY KEY NOT NULL,
	`work_id` text NOT NULL,
	`place` integer NOT NULL,
	`kind` text NOT NULL,
	`settings` text NOT NULL,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `part_skills` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`place` integer NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `part_items` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`place` integer NOT NULL,
	`version_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`seed` integer NOT NULL,
	`context` text NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `assignments` (
	`id` text PRIMARY KEY NOT NULL,
	`work_id` text NOT NULL,
	`class_id` text NOT NULL,
	`group_id` text,
	`given_by` text NOT NULL,
	`given_at` integer NOT NULL,
	`opens_at` integer NOT NULL,
	`due_at` integer NOT NULL,
	`withdrawn_at` integer,
	FOREIGN KEY (`work_id`) REFERENCES `works`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`class_id`) REFERENCES `classes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`given_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `assignment_targets` (
	`id` text PRIMARY KEY NOT NULL,
	`assignment_id` text NOT NULL,
	`person_id` text NOT NULL,
	`extra_items` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`assignment_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `__new_works` (
	`id` text PRIMARY KEY NOT NULL,
	`school_id` text NOT NULL,
	`owner_id` text NOT NULL,
	`title` text NOT NULL,
	`instructions` text NOT NULL,
	`created_at` integer NOT NULL,
	`archived_at` integer,
	FOREIGN KEY (`school_id`) REFERENCES `schools`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`owner_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_works` SELECT w.`id`, c.`school_id`, w.`created_by`, w.`title`, w.`instructions`, w.`created_at`, NULL FROM `works` w JOIN `classes` c ON c.`id` = w.`class_id`;
--> statement-breakpoint
INSERT INTO `parts` SELECT `id`, `id`, 0, `kind`, json_object('items', `budget_items`) FROM `works`;
--> statement-breakpoint
INSERT INTO `part_skills` SELECT `id`, `work_id`, `skill_id`, `place` FROM `work_skills`;
--> statement-breakpoint
INSERT INTO `assignments` SELECT w.`id`, w.`id`, w.`class_id`, (SELECT r.`group_id` FROM `reteaches` r WHERE r.`practice_work_id` = w.`id` OR r.`check_work_id` = w.`id` LIMIT 1), w.`created_by`, w.`created_at`, w.`opens_at`, w.`due_at`, w.`withdrawn_at` FROM `works` w;
--> statement-breakpoint
INSERT INTO `assignment_targets` SELECT `id`, `work_id`, `person_id`, `extra_items` FROM `work_targets`;
--> statement-breakpoint
INSERT INTO `assignment_targets` SELECT s.`id`, s.`work_id`, s.`person_id`, 0 FROM `sittings` s WHERE NOT EXISTS (SELECT 1 FROM `work_targets` t WHERE t.`work_id` = s.`work_id` AND t.`person_id` = s.`person_id`);
--> statement-breakpoint
UPDATE `change_rows` SET `rows` = (SELECT json_group_array(json(o)) FROM (
  SELECT e.key * 10 AS k, e.value AS o FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') NOT IN ('works', 'workSkills', 'workTargets', 'reteaches')
  UNION ALL SELECT e.key * 10, json_object('table', 'works', 'id', json_extract(e.value, '$.id'), 'before', json(CASE json_type(e.value, '$.before') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.before.id'), 'schoolId', (SELECT c.`school_id` FROM `classes` c WHERE c.`id` = json_extract(e.value, '$.before.classId')), 'ownerId', json_extract(e.value, '$.before.createdBy'), 'title', json_extract(e.value, '$.before.title'), 'instructions', json_extract(e.value, '$.before.instructions'), 'createdAt', json_extract(e.value, '$.before.createdAt'), 'archivedAt', NULL) END), 'after', json(CASE json_type(e.value, '$.after') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.after.id'), 'schoolId', (SELECT c.`school_id` FROM `classes` c WHERE c.`id` = json_extract(e.value, '$.after.classId')), 'ownerId', json_extract(e.value, '$.after.createdBy'), 'title', json_extract(e.value, '$.after.title'), 'instructions', json_extract(e.value, '$.after.instructions'), 'createdAt', json_extract(e.value, '$.after.createdAt'), 'archivedAt', NULL) END)) FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'works' AND (json_type(e.value, '$.before.classId') IS NOT NULL OR json_type(e.value, '$.after.classId') IS NOT NULL)
  UNION ALL SELECT e.key * 10 + 1, json_object('table', 'parts', 'id', json_extract(e.value, '$.id'), 'before', json(CASE json_type(e.value, '$.before') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.before.id'), 'workId', json_extract(e.value, '$.before.id'), 'place', 0, 'kind', json_extract(e.value, '$.before.kind'), 'settings', json_object('items', json_extract(e.value, '$.before.budgetItems'))) END), 'after', json(CASE json_type(e.value, '$.after') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.after.id'), 'workId', json_extract(e.value, '$.after.id'), 'place', 0, 'kind', json_extract(e.value, '$.after.kind'), 'settings', json_object('items', json_extract(e.value, '$.after.budgetItems'))) END)) FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'works' AND (json_type(e.value, '$.before.classId') IS NOT NULL OR json_type(e.value, '$.after.classId') IS NOT NULL)
  UNION ALL SELECT e.key * 10 + 2, json_object('table', 'assignments', 'id', json_extract(e.value, '$.id'), 'before', json(CASE json_type(e.value, '$.before') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.before.id'), 'workId', json_extract(e.value, '$.before.id'), 'classId', json_extract(e.value, '$.before.classId'), 'groupId', (SELECT r.`group_id` FROM `reteaches` r WHERE r.`practice_work_id` = json_extract(e.value, '$.before.id') OR r.`check_work_id` = json_extract(e.value, '$.before.id') LIMIT 1), 'givenBy', json_extract(e.value, '$.before.createdBy'), 'givenAt', json_extract(e.value, '$.before.createdAt'), 'opensAt', json_extract(e.value, '$.before.opensAt'), 'dueAt', json_extract(e.value, '$.before.dueAt'), 'withdrawnAt', json_extract(e.value, '$.before.withdrawnAt')) END), 'after', json(CASE json_type(e.value, '$.after') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.after.id'), 'workId', json_extract(e.value, '$.after.id'), 'classId', json_extract(e.value, '$.after.classId'), 'groupId', (SELECT r.`group_id` FROM `reteaches` r WHERE r.`practice_work_id` = json_extract(e.value, '$.after.id') OR r.`check_work_id` = json_extract(e.value, '$.after.id') LIMIT 1), 'givenBy', json_extract(e.value, '$.after.createdBy'), 'givenAt', json_extract(e.value, '$.after.createdAt'), 'opensAt', json_extract(e.value, '$.after.opensAt'), 'dueAt', json_extract(e.value, '$.after.dueAt'), 'withdrawnAt', json_extract(e.value, '$.after.withdrawnAt')) END)) FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'works' AND (json_type(e.value, '$.before.classId') IS NOT NULL OR json_type(e.value, '$.after.classId') IS NOT NULL)
  UNION ALL SELECT e.key * 10, json_set(e.value, '$.table', 'assignments') FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'works' AND NOT (json_type(e.value, '$.before.classId') IS NOT NULL OR json_type(e.value, '$.after.classId') IS NOT NULL)
  UNION ALL SELECT e.key * 10, json_object('table', 'partSkills', 'id', json_extract(e.value, '$.id'), 'before', json(CASE json_type(e.value, '$.before') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.before.id'), 'partId', json_extract(e.value, '$.before.workId'), 'skillId', json_extract(e.value, '$.before.skillId'), 'place', json_extract(e.value, '$.before.place')) END), 'after', json(CASE json_type(e.value, '$.after') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.after.id'), 'partId', json_extract(e.value, '$.after.workId'), 'skillId', json_extract(e.value, '$.after.skillId'), 'place', json_extract(e.value, '$.after.place')) END)) FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'workSkills'
  UNION ALL SELECT e.key * 10, json_object('table', 'assignmentTargets', 'id', json_extract(e.value, '$.id'), 'before', json(CASE json_type(e.value, '$.before') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.before.id'), 'assignmentId', json_extract(e.value, '$.before.workId'), 'personId', json_extract(e.value, '$.before.personId'), 'extraItems', json_extract(e.value, '$.before.extraItems')) END), 'after', json(CASE json_type(e.value, '$.after') WHEN 'null' THEN NULL ELSE json_object('id', json_extract(e.value, '$.after.id'), 'assignmentId', json_extract(e.value, '$.after.workId'), 'personId', json_extract(e.value, '$.after.personId'), 'extraItems', json_extract(e.value, '$.after.extraItems')) END)) FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'workTargets'
  UNION ALL SELECT e.key * 10, json_object('table', 'reteaches', 'id', json_extract(e.value, '$.id'), 'before', json(CASE json_type(e.value, '$.before') WHEN 'null' THEN NULL ELSE json_patch(json_remove(json_extract(e.value, '$.before'), '$.practiceWorkId', '$.checkWorkId'), json_object('practiceId', json_extract(e.value, '$.before.practiceWorkId'), 'checkId', json_extract(e.value, '$.before.checkWorkId'))) END), 'after', json(CASE json_type(e.value, '$.after') WHEN 'null' THEN NULL ELSE json_patch(json_remove(json_extract(e.value, '$.after'), '$.practiceWorkId', '$.checkWorkId'), json_object('practiceId', json_extract(e.value, '$.after.practiceWorkId'), 'checkId', json_extract(e.value, '$.after.checkWorkId'))) END)) FROM json_each(`change_rows`.`rows`) e WHERE json_extract(e.value, '$.table') = 'reteaches'
  ORDER BY 1)) WHERE instr(`rows`, '"table":"work') > 0 OR instr(`rows`, '"table":"reteaches"') > 0;
--> statement-breakpoint
CREATE TABLE `sitting_items` (
	`id` text PRIMARY KEY NOT NULL,
	`sitting_id` text NOT NULL,
	`place` integer NOT NULL,
	`state` text NOT NULL,
	`skill_id` text NOT NULL,
	`version_id` text NOT NULL,
	`seed` integer NOT NULL,
	`context` text NOT NULL,
	`option_order` text,
	`tries` integer NOT NULL,
	`earned` integer,
	`possible` integer,
	`try_from` integer,
	`hints` integer NOT NULL,
	FOREIGN KEY (`sitting_id`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`version_id`) REFERENCES `item_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT OR IGNORE INTO `sitting_items` SELECT json_extract(p.value, '$.id'), s.`id`, p.key, json_extract(p.value, '$.state'), json_extract(p.value, '$.skillId'), json_extract(p.value, '$.modelId') || '@' || json_extract(p.value, '$.modelVersion'), json_extract(p.value, '$.seed'), json_extract(p.value, '$.context'), CASE (SELECT json_extract(v.`body`, '$.parts[0].kind') FROM `item_versions` v WHERE v.`id` = json_extract(p.value, '$.modelId') || '@' || json_extract(p.value, '$.modelVersion')) WHEN 'single-choice' THEN json_object('a', json((SELECT o.`ids` FROM `__option_orders` o WHERE o.`version_id` = json_extract(p.value, '$.modelId') || '@' || json_extract(p.value, '$.modelVersion') AND o.`seed` = json_extract(p.value, '$.seed')))) END, json_extract(p.value, '$.tries'), CASE WHEN json_extract(p.value, '$.tries') > 0 THEN coalesce(json_extract(p.value, '$.rightFirst'), 0) END, CASE WHEN json_extract(p.value, '$.tries') > 0 THEN 1 END, json_extract(p.value, '$.tryFrom'), coalesce(json_extract(p.value, '$.hints'), 0) FROM `sittings` s, json_each(s.`presentations`) p;
--> statement-breakpoint
INSERT OR IGNORE INTO `sitting_items` SELECT a.`presentation_id`, a.`sitting_id`, 1000 + a.`serial`, 'done', a.`skill_id`, a.`model_id` || '@' || a.`model_version`, a.`seed`, a.`context`, CASE (SELECT json_extract(v.`body`, '$.parts[0].kind') FROM `item_versions` v WHERE v.`id` = a.`model_id` || '@' || a.`model_version`) WHEN 'single-choice' THEN json_object('a', json((SELECT o.`ids` FROM `__option_orders` o WHERE o.`version_id` = a.`model_id` || '@' || a.`model_version` AND o.`seed` = a.`seed`))) END, 1, a.`right`, 1, NULL, 0 FROM `answers` a WHERE a.`try_number` = 1;
--> statement-breakpoint
INSERT OR IGNORE INTO `sitting_items` SELECT a.`presentation_id`, a.`sitting_id`, 1000 + a.`serial`, 'done', a.`skill_id`, a.`model_id` || '@' || a.`model_version`, a.`seed`, a.`context`, CASE (SELECT json_extract(v.`body`, '$.parts[0].kind') FROM `item_versions` v WHERE v.`id` = a.`model_id` || '@' || a.`model_version`) WHEN 'single-choice' THEN json_object('a', json((SELECT o.`ids` FROM `__option_orders` o WHERE o.`version_id` = a.`model_id` || '@' || a.`model_version` AND o.`seed` = a.`seed`))) END, a.`try_number`, 0, 1, NULL, 0 FROM `answers` a;
--> statement-breakpoint
CREATE TABLE `__new_sittings` (
	`id` text PRIMARY KEY NOT NULL,
	`target_id` text NOT NULL,
	`part_id` text NOT NULL,
	`attempt` integer NOT NULL,
	`version` integer NOT NULL,
	`started_at` integer NOT NULL,
	`last_at` integer NOT NULL,
	`finished_at` integer,
	`finish_reason` text,
	`items_done` integer NOT NULL,
	`items_right` integer NOT NULL,
	`progress_permille` integer NOT NULL,
	`active_milliseconds` integer NOT NULL,
	`mark` text,
	`state` text NOT NULL,
	FOREIGN KEY (`target_id`) REFERENCES `assignment_targets`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`part_id`) REFERENCES `parts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_sittings` SELECT s.`id`, (SELECT t.`id` FROM `assignment_targets` t WHERE t.`assignment_id` = s.`work_id` AND t.`person_id` = s.`person_id`), s.`work_id`, 1, 1, s.`started_at`, s.`last_at`, s.`finished_at`, s.`finish_reason`, s.`items_done`, s.`items_right`, s.`progress_permille`, (SELECT coalesce(sum(a.`milliseconds`), 0) FROM `answers` a WHERE a.`sitting_id` = s.`id`), (SELECT sum(i.`earned`) || '/' || count(*) FROM `sitting_items` i WHERE i.`sitting_id` = s.`id` AND i.`possible` IS NOT NULL HAVING count(*) > 0), json_object('chancesAtStart', json(s.`chances_at_start`)) FROM `sittings` s;
--> statement-breakpoint
CREATE TABLE `__new_answers` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`person_id` text NOT NULL,
	`sitting_item_id` text NOT NULL,
	`try_number` integer NOT NULL,
	`response` text NOT NULL,
	`hints_used` integer NOT NULL,
	`milliseconds` integer NOT NULL,
	`given_at` integer NOT NULL,
	`recorded_at` integer NOT NULL,
	`day` integer NOT NULL,
	`witness` text NOT NULL,
	`late_claim` integer NOT NULL,
	`device_clock` integer,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting_item_id`) REFERENCES `sitting_items`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_answers` SELECT a.`serial`, a.`key`, a.`person_id`, a.`presentation_id`, a.`try_number`, CASE (SELECT json_extract(v.`body`, '$.parts[0].kind') FROM `item_versions` v WHERE v.`id` = a.`model_id` || '@' || a.`model_version`) WHEN 'single-choice' THEN json_object('a', json_object('option', coalesce(json_extract((SELECT o.`ids` FROM `__option_orders` o WHERE o.`version_id` = a.`model_id` || '@' || a.`model_version` AND o.`seed` = a.`seed`), '$[' || (unicode(a.`raw`) - 65) || ']'), a.`raw`))) ELSE json_object('a', json_object('text', a.`raw`)) END, a.`hints_used`, a.`milliseconds`, a.`given_at`, a.`recorded_at`, a.`day`, a.`witness`, a.`late_claim`, a.`device_clock` FROM `answers` a ORDER BY a.`serial`;
--> statement-breakpoint
CREATE TABLE `scores` (
	`serial` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`answer_serial` integer NOT NULL,
	`person_id` text NOT NULL,
	`part` text NOT NULL,
	`skill_id` text NOT NULL,
	`earned` integer NOT NULL,
	`possible` integer NOT NULL,
	`points` integer NOT NULL,
	`misconception_id` text,
	`grade` integer,
	`skill_difficulty` real NOT NULL,
	`a` real NOT NULL,
	`b` real NOT NULL,
	`c` real NOT NULL,
	`by` text NOT NULL,
	`scorer_id` text,
	`scored_at` integer NOT NULL,
	`supersedes` integer,
	FOREIGN KEY (`answer_serial`) REFERENCES `answers`(`serial`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`misconception_id`) REFERENCES `misconceptions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`scorer_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `scores` SELECT a.`serial`, a.`serial`, a.`person_id`, 'a', a.`skill_id`, a.`right`, 1, 1, a.`misconception_id`, a.`grade`, a.`skill_difficulty`, a.`a`, a.`b`, a.`c`, 'rule', NULL, a.`recorded_at`, NULL FROM `answers` a ORDER BY a.`serial`;
--> statement-breakpoint
CREATE TABLE `__new_uncounted_answers` (
	`key` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`sitting_item_id` text NOT NULL,
	`sent` text NOT NULL,
	`reason` text NOT NULL,
	`given_at` integer NOT NULL,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sitting_item_id`) REFERENCES `sitting_items`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_uncounted_answers` SELECT u.`key`, u.`person_id`, u.`presentation_id`, json_object('a', json_object('text', u.`raw`, 'option', u.`raw`)), u.`reason`, u.`given_at`, u.`recorded_at` FROM `uncounted_answers` u WHERE u.`presentation_id` IN (SELECT `id` FROM `sitting_items`);
--> statement-breakpoint
CREATE TABLE `__new_skill_states` (
	`person_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`mastery` real NOT NULL,
	`learning` real DEFAULT 0.5 NOT NULL,
	`prior` real NOT NULL,
	`scored_answers` integer NOT NULL,
	`right_first_tries` integer NOT NULL,
	`evidence` integer NOT NULL,
	`item_ids` text NOT NULL,
	`first_day` integer DEFAULT 0 NOT NULL,
	`last_day` integer NOT NULL,
	`stability_days` real NOT NULL,
	`memory_difficulty` real DEFAULT 5 NOT NULL,
	`mastered_day` integer,
	`misses_in_row` integer NOT NULL,
	`snag_day` integer,
	`snag_cleared_day` integer,
	PRIMARY KEY(`person_id`, `skill_id`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_skill_states` SELECT s.`person_id`, s.`skill_id`, s.`mastery`, s.`learning`, s.`prior`, s.`scored_answers`, s.`right_first_tries`, (SELECT count(*) FROM `answers` a WHERE a.`person_id` = s.`person_id` AND a.`skill_id` = s.`skill_id`), s.`model_ids`, s.`first_day`, s.`last_day`, s.`stability_days`, s.`memory_difficulty`, s.`mastered_day`, s.`misses_in_row`, s.`snag_day`, s.`snag_cleared_day` FROM `skill_states` s;
--> statement-breakpoint
ALTER TABLE `erased_totals` RENAME COLUMN `model_id` TO `item_id`;
--> statement-breakpoint
CREATE TABLE `__new_reteaches` (
	`id` text PRIMARY KEY NOT NULL,
	`group_id` text NOT NULL,
	`skill_id` text NOT NULL,
	`practice_id` text NOT NULL,
	`check_id` text NOT NULL,
	`assigned_day` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`group_id`) REFERENCES `groups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`skill_id`) REFERENCES `skills`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`practice_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`check_id`) REFERENCES `assignments`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_reteaches` SELECT `id`, `group_id`, `skill_id`, `practice_work_id`, `check_work_id`, `assigned_day`, `created_at` FROM `reteaches`;
--> statement-breakpoint
DROP TABLE `uncounted_answers`;
--> statement-breakpoint
DROP TABLE `answers`;
--> statement-breakpoint
DROP TABLE `sittings`;
--> statement-breakpoint
DROP TABLE `reteaches`;
--> statement-breakpoint
DROP TABLE `skill_states`;
--> statement-breakpoint
DROP TABLE `work_targets`;
--> statement-breakpoint
DROP TABLE `work_skills`;
--> statement-breakpoint
DROP TABLE `works`;
--> statement-breakpoint
DROP TABLE `item_models`;
--> statement-breakpoint
DROP TABLE `skills`;
--> statement-breakpoint
DROP TABLE `standards`;
--> statement-breakpoint
DROP TABLE `frameworks`;
--> statement-breakpoint
DROP TABLE `__option_orders`;
--> statement-breakpoint
ALTER TABLE `__new_frameworks` RENAME TO `frameworks`;
--> statement-breakpoint
ALTER TABLE `__new_standards` RENAME TO `standards`;
--> statement-breakpoint
ALTER TABLE `__new_skills` RENAME TO `skills`;
--> statement-breakpoint
ALTER TABLE `__new_works` RENAME TO `works`;
--> statement-breakpoint
ALTER TABLE `__new_sittings` RENAME TO `sittings`;
--> statement-breakpoint
ALTER TABLE `__new_answers` RENAME TO `answers`;
--> statement-breakpoint
ALTER TABLE `__new_uncounted_answers` RENAME TO `uncounted_answers`;
--> statement-breakpoint
ALTER TABLE `__new_skill_states` RENAME TO `skill_states`;
--> statement-breakpoint
ALTER TABLE `__new_reteaches` RENAME TO `reteaches`;
--> statement-breakpoint
CREATE INDEX `frameworks_by_subject` ON `frameworks` (`subject_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `standards_by_code` ON `standards` (`framework_id`,`code`);
--> statement-breakpoint
CREATE INDEX `standards_by_parent` ON `standards` (`parent_id`);
--> statement-breakpoint
CREATE INDEX `skills_by_subject` ON `skills` (`subject_id`,`place`);
--> statement-breakpoint
CREATE INDEX `skill_standards_by_standard` ON `skill_standards` (`standard_id`);
--> statement-breakpoint
CREATE INDEX `standard_links_by_to` ON `standard_links` (`to_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `item_versions_by_number` ON `item_versions` (`item_id`,`number`);
--> statement-breakpoint
CREATE INDEX `item_skills_by_skill` ON `item_skills` (`skill_id`);
--> statement-breakpoint
CREATE INDEX `item_standards_by_standard` ON `item_standards` (`standard_id`);
--> statement-breakpoint
CREATE INDEX `item_parameters_by_version` ON `item_parameters` (`version_id`,`in_force_from`);
--> statement-breakpoint
CREATE INDEX `works_by_owner` ON `works` (`owner_id`);
--> statement-breakpoint
CREATE INDEX `works_by_school` ON `works` (`school_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `parts_by_work` ON `parts` (`work_id`,`place`);
--> statement-breakpoint
CREATE UNIQUE INDEX `part_skills_once` ON `part_skills` (`part_id`,`skill_id`);
--> statement-breakpoint
CREATE INDEX `part_skills_by_skill` ON `part_skills` (`skill_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `part_items_by_part` ON `part_items` (`part_id`,`place`);
--> statement-breakpoint
CREATE INDEX `part_items_by_version` ON `part_items` (`version_id`);
--> statement-breakpoint
CREATE INDEX `part_items_by_skill` ON `part_items` (`skill_id`);
--> statement-breakpoint
CREATE INDEX `assignments_by_class` ON `assignments` (`class_id`,`given_at`);
--> statement-breakpoint
CREATE INDEX `assignments_by_work` ON `assignments` (`work_id`);
--> statement-breakpoint
CREATE INDEX `assignments_by_group` ON `assignments` (`group_id`);
--> statement-breakpoint
CREATE INDEX `assignments_by_giver` ON `assignments` (`given_by`);
--> statement-breakpoint
CREATE UNIQUE INDEX `assignment_targets_once` ON `assignment_targets` (`assignment_id`,`person_id`);
--> statement-breakpoint
CREATE INDEX `assignment_targets_by_person` ON `assignment_targets` (`person_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `sittings_once` ON `sittings` (`target_id`,`part_id`,`attempt`);
--> statement-breakpoint
CREATE INDEX `sittings_by_part` ON `sittings` (`part_id`);
--> statement-breakpoint
CREATE INDEX `sitting_items_by_sitting` ON `sitting_items` (`sitting_id`,`place`);
--> statement-breakpoint
CREATE INDEX `sitting_items_by_version` ON `sitting_items` (`version_id`);
--> statement-breakpoint
CREATE INDEX `sitting_items_by_skill` ON `sitting_items` (`skill_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `answers_key_unique` ON `answers` (`key`);
--> statement-breakpoint
CREATE INDEX `answers_by_person` ON `answers` (`person_id`);
--> statement-breakpoint
CREATE INDEX `answers_by_item` ON `answers` (`sitting_item_id`);
--> statement-breakpoint
CREATE INDEX `scores_by_person_skill` ON `scores` (`person_id`,`skill_id`,`answer_serial`);
--> statement-breakpoint
CREATE INDEX `scores_by_answer` ON `scores` (`answer_serial`);
--> statement-breakpoint
CREATE INDEX `scores_by_skill` ON `scores` (`skill_id`);
--> statement-breakpoint
CREATE INDEX `scores_by_misconception` ON `scores` (`misconception_id`) WHERE misconception_id is not null;
--> statement-breakpoint
CREATE INDEX `scores_by_scorer` ON `scores` (`scorer_id`) WHERE scorer_id is not null;
--> statement-breakpoint
CREATE UNIQUE INDEX `scores_superseded_once` ON `scores` (`supersedes`) WHERE supersedes is not null;
--> statement-breakpoint
CREATE INDEX `uncounted_answers_by_person` ON `uncounted_answers` (`person_id`);
--> statement-breakpoint
CREATE INDEX `uncounted_answers_by_item` ON `uncounted_answers` (`sitting_item_id`);
--> statement-breakpoint
CREATE INDEX `reteaches_by_group` ON `reteaches` (`group_id`);
--> statement-breakpoint
CREATE INDEX `reteaches_by_skill` ON `reteaches` (`skill_id`);
--> statement-breakpoint
CREATE INDEX `reteaches_by_practice` ON `reteaches` (`practice_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `reteaches_by_check` ON `reteaches` (`check_id`);
--> statement-breakpoint
CREATE INDEX `skill_states_by_skill` ON `skill_states` (`skill_id`);
--> statement-breakpoint
CREATE TRIGGER `answers_lie_in_bounds` BEFORE INSERT ON `answers` WHEN NEW.`given_at` > NEW.`recorded_at` OR NEW.`given_at` < 0 OR NEW.`milliseconds` NOT BETWEEN 0 AND 86400000 OR NEW.`hints_used` NOT BETWEEN 0 AND 99 BEGIN SELECT RAISE(ABORT, 'An answer lies outside its bounds.'); END;
--> statement-breakpoint
CREATE TRIGGER `answers_are_never_changed` BEFORE UPDATE ON `answers` BEGIN SELECT RAISE(ABORT, 'The answer log is only ever added to.'); END;
--> statement-breakpoint
CREATE TRIGGER `scores_are_sound` BEFORE INSERT ON `scores` WHEN NEW.`possible` < 1 OR NEW.`earned` NOT BETWEEN 0 AND NEW.`possible` BEGIN SELECT RAISE(ABORT, 'A score lies outside its bounds.'); END;
--> statement-breakpoint
CREATE TRIGGER `scores_are_never_changed` BEFORE UPDATE ON `scores` BEGIN SELECT RAISE(ABORT, 'Scores are only ever added; a new one takes the place of an old one.'); END;
