using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class EnteredPrograms : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "entered_programs",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    CreateKey = table.Column<string>(type: "TEXT", nullable: true),
                    KilnId = table.Column<int>(type: "INTEGER", nullable: false),
                    FiringId = table.Column<int>(type: "INTEGER", nullable: true),
                    ScheduleId = table.Column<int>(type: "INTEGER", nullable: true),
                    ScheduleVersion = table.Column<int>(type: "INTEGER", nullable: true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Controller = table.Column<string>(type: "TEXT", nullable: false),
                    Slot = table.Column<string>(type: "TEXT", nullable: true),
                    Code = table.Column<string>(type: "TEXT", nullable: false),
                    IsClean = table.Column<bool>(type: "INTEGER", nullable: false),
                    Slip = table.Column<string>(type: "TEXT", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    Document = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_entered_programs", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_entered_programs_CreateKey",
                table: "entered_programs",
                column: "CreateKey",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_entered_programs_FiringId",
                table: "entered_programs",
                column: "FiringId");

            migrationBuilder.CreateIndex(
                name: "IX_entered_programs_KilnId_At",
                table: "entered_programs",
                columns: new[] { "KilnId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "entered_programs");
        }
    }
}
