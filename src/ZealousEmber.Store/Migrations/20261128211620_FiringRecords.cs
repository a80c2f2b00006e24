using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class FiringRecords : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "FromFiring",
                table: "schedule_versions",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Reason",
                table: "schedule_versions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "ClosedAt",
                table: "firing_runs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "ReadAt",
                table: "firing_runs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "firing_figures",
                columns: table => new
                {
                    FiringId = table.Column<int>(type: "INTEGER", nullable: false),
                    Figures = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_firing_figures", x => x.FiringId);
                });

            migrationBuilder.CreateTable(
                name: "firing_records",
                columns: table => new
                {
                    FiringId = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    UpdatedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    UpdatedBy = table.Column<string>(type: "TEXT", nullable: true),
                    SaveKey = table.Column<string>(type: "TEXT", nullable: true),
                    Packs = table.Column<string>(type: "TEXT", nullable: false),
                    Results = table.Column<string>(type: "TEXT", nullable: false),
                    IsReference = table.Column<bool>(type: "INTEGER", nullable: false),
                    TopHours = table.Column<double>(type: "REAL", nullable: true),
                    Last100Hours = table.Column<double>(type: "REAL", nullable: true),
                    Past = table.Column<double>(type: "REAL", nullable: true),
                    PackOffset = table.Column<double>(type: "REAL", nullable: true),
                    Kwh = table.Column<double>(type: "REAL", nullable: true),
                    Cost = table.Column<double>(type: "REAL", nullable: true),
                    FullPowerHours = table.Column<double>(type: "REAL", nullable: true),
                    FiguresOf = table.Column<string>(type: "TEXT", nullable: true),
                    KilnId = table.Column<int>(type: "INTEGER", nullable: false),
                    StartsAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Goal = table.Column<string>(type: "TEXT", nullable: true),
                    Reached = table.Column<string>(type: "TEXT", nullable: true),
                    ScheduleId = table.Column<int>(type: "INTEGER", nullable: true),
                    ScheduleVersion = table.Column<int>(type: "INTEGER", nullable: true),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    Glazes = table.Column<string>(type: "TEXT", nullable: false),
                    Clays = table.Column<string>(type: "TEXT", nullable: false),
                    People = table.Column<string>(type: "TEXT", nullable: false),
                    Faults = table.Column<string>(type: "TEXT", nullable: false),
                    Out = table.Column<int>(type: "INTEGER", nullable: true),
                    Lost = table.Column<int>(type: "INTEGER", nullable: true),
                    SearchText = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_firing_records", x => x.FiringId);
                });

            migrationBuilder.CreateTable(
                name: "kiln_care",
                columns: table => new
                {
                    KilnId = table.Column<int>(type: "INTEGER", nullable: false),
                    Document = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_kiln_care", x => x.KilnId);
                });

            migrationBuilder.CreateTable(
                name: "maintenance",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    KilnId = table.Column<int>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    CreateKey = table.Column<string>(type: "TEXT", nullable: true),
                    DeletedAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_maintenance", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_firings_DeletedAt_Version",
                table: "firings",
                columns: new[] { "DeletedAt", "Version" });

            migrationBuilder.CreateIndex(
                name: "IX_firing_runs_OpenedAt",
                table: "firing_runs",
                column: "OpenedAt");

            migrationBuilder.CreateIndex(
                name: "IX_firing_records_KilnId_StartsAt",
                table: "firing_records",
                columns: new[] { "KilnId", "StartsAt" });

            migrationBuilder.CreateIndex(
                name: "IX_firing_records_StartsAt",
                table: "firing_records",
                column: "StartsAt");

            migrationBuilder.CreateIndex(
                name: "IX_maintenance_KilnId_At",
                table: "maintenance",
                columns: new[] { "KilnId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "firing_figures");

            migrationBuilder.DropTable(
                name: "firing_records");

            migrationBuilder.DropTable(
                name: "kiln_care");

            migrationBuilder.DropTable(
                name: "maintenance");

            migrationBuilder.DropIndex(
                name: "IX_firings_DeletedAt_Version",
                table: "firings");

            migrationBuilder.DropIndex(
                name: "IX_firing_runs_OpenedAt",
                table: "firing_runs");

            migrationBuilder.DropColumn(
                name: "FromFiring",
                table: "schedule_versions");

            migrationBuilder.DropColumn(
                name: "Reason",
                table: "schedule_versions");

            migrationBuilder.DropColumn(
                name: "ClosedAt",
                table: "firing_runs");

            migrationBuilder.DropColumn(
                name: "ReadAt",
                table: "firing_runs");
        }
    }
}
