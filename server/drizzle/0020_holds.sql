CREATE TABLE `holds` (
	`name` varchar(64) NOT NULL,
	CONSTRAINT `holds_name` PRIMARY KEY(`name`)
);
--> statement-breakpoint
ALTER TABLE `school` MODIFY COLUMN `derived_by` varchar(16);