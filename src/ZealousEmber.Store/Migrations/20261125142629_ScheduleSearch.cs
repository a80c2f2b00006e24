using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <summary>
    /// An index of the words of schedules, in runs of three letters so that parts of words are found. SQLite keeps it by triggers; a later migration
    /// that rebuilds the table of schedules drops them, and has to make them again.
    /// </summary>
    public partial class ScheduleSearch : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("CREATE VIRTUAL TABLE schedule_search USING fts5(SearchText, content='schedules', content_rowid='Id', tokenize='trigram');");
            migrationBuilder.Sql("INSERT INTO schedule_search(rowid, SearchText) SELECT Id, SearchText FROM schedules;");
            migrationBuilder.Sql("CREATE TRIGGER schedules_search_added AFTER INSERT ON schedules BEGIN INSERT INTO schedule_search(rowid, SearchText) VALUES (new.Id, new.SearchText); END;");
            migrationBuilder.Sql("CREATE TRIGGER schedules_search_removed AFTER DELETE ON schedules BEGIN INSERT INTO schedule_search(schedule_search, rowid, SearchText) VALUES ('delete', old.Id, old.SearchText); END;");
            migrationBuilder.Sql("CREATE TRIGGER schedules_search_changed AFTER UPDATE OF SearchText ON schedules BEGIN INSERT INTO schedule_search(schedule_search, rowid, SearchText) VALUES ('delete', old.Id, old.SearchText); INSERT INTO schedule_search(rowid, SearchText) VALUES (new.Id, new.SearchText); END;");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            foreach (var trigger in new[] { "added", "removed", "changed" }) migrationBuilder.Sql($"DROP TRIGGER schedules_search_{trigger};");
            migrationBuilder.Sql("DROP TABLE schedule_search;");
        }
    }
}
