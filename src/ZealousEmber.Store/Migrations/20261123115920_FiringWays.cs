using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class FiringWays : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Accepted",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "[]");

            migrationBuilder.AddColumn<string>(
                name: "Bisque",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "ByWhatComesNext");

            migrationBuilder.AddColumn<string>(
                name: "Hold",
                table: "firings",
                type: "TEXT",
                nullable: false,
                defaultValue: "AsTheGlazesAsk");

            migrationBuilder.AddColumn<bool>(
                name: "Packed",
                table: "firings",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "StartsAt",
                table: "firings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "WitnessPack",
                table: "firings",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "photos",
                columns: table => new
                {
                    Of = table.Column<string>(type: "TEXT", nullable: false),
                    OwnerId = table.Column<int>(type: "INTEGER", nullable: false),
                    ContentType = table.Column<string>(type: "TEXT", nullable: false),
                    Bytes = table.Column<byte[]>(type: "BLOB", nullable: false),
                    TakenInAt = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_photos", x => new { x.Of, x.OwnerId });
                });

            migrationBuilder.CreateTable(
                name: "studio_ways",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    Drying = table.Column<string>(type: "TEXT", nullable: false),
                    Approach = table.Column<string>(type: "TEXT", nullable: false),
                    Cooling = table.Column<string>(type: "TEXT", nullable: false),
                    Hold = table.Column<string>(type: "TEXT", nullable: false),
                    Bisque = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_studio_ways", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_firings_ScheduleId",
                table: "firings",
                column: "ScheduleId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "photos");

            migrationBuilder.DropTable(
                name: "studio_ways");

            migrationBuilder.DropIndex(
                name: "IX_firings_ScheduleId",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "Accepted",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "Bisque",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "Hold",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "Packed",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "StartsAt",
                table: "firings");

            migrationBuilder.DropColumn(
                name: "WitnessPack",
                table: "firings");
        }
    }
}
