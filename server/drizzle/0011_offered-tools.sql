CREATE TABLE `offered_tools` (
	`id` varchar(60) NOT NULL,
	CONSTRAINT `offered_tools_id` PRIMARY KEY(`id`)
);
