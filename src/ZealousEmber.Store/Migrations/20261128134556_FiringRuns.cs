using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class FiringRuns : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "firing_entries",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    FiringId = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    Celsius = table.Column<double>(type: "REAL", nullable: true),
                    Subject = table.Column<string>(type: "TEXT", nullable: true),
                    Text = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_firing_entries", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "firing_runs",
                columns: table => new
                {
                    FiringId = table.Column<int>(type: "INTEGER", nullable: false),
                    KilnId = table.Column<int>(type: "INTEGER", nullable: false),
                    OccupiesKiln = table.Column<int>(type: "INTEGER", nullable: true),
                    Link = table.Column<string>(type: "TEXT", nullable: false),
                    StartsAt = table.Column<long>(type: "INTEGER", nullable: false),
                    StartedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    StoppedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    CooledAt = table.Column<long>(type: "INTEGER", nullable: true),
                    OpenedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Document = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_firing_runs", x => x.FiringId);
                });

            migrationBuilder.CreateTable(
                name: "kiln_tokens",
                columns: table => new
                {
                    KilnId = table.Column<int>(type: "INTEGER", nullable: false),
                    Hash = table.Column<byte[]>(type: "BLOB", nullable: false),
                    MadeAt = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_kiln_tokens", x => x.KilnId);
                });

            migrationBuilder.CreateTable(
                name: "sample_blocks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    FiringId = table.Column<int>(type: "INTEGER", nullable: false),
                    Logger = table.Column<string>(type: "TEXT", nullable: false),
                    Stream = table.Column<string>(type: "TEXT", nullable: false),
                    First = table.Column<long>(type: "INTEGER", nullable: false),
                    Last = table.Column<long>(type: "INTEGER", nullable: false),
                    Count = table.Column<int>(type: "INTEGER", nullable: false),
                    Samples = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_sample_blocks", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_firing_entries_FiringId_Key",
                table: "firing_entries",
                columns: new[] { "FiringId", "Key" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_firing_runs_KilnId",
                table: "firing_runs",
                column: "KilnId");

            migrationBuilder.CreateIndex(
                name: "IX_firing_runs_OccupiesKiln",
                table: "firing_runs",
                column: "OccupiesKiln",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_sample_blocks_FiringId_Logger_Stream_First",
                table: "sample_blocks",
                columns: new[] { "FiringId", "Logger", "Stream", "First" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "firing_entries");

            migrationBuilder.DropTable(
                name: "firing_runs");

            migrationBuilder.DropTable(
                name: "kiln_tokens");

            migrationBuilder.DropTable(
                name: "sample_blocks");
        }
    }
}
