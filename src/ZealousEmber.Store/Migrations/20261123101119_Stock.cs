using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace ZealousEmber.Store.Migrations
{
    /// <inheritdoc />
    public partial class Stock : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "clays",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Shrinkage = table.Column<double>(type: "REAL", nullable: true),
                    Absorption = table.Column<double>(type: "REAL", nullable: true),
                    BurnsOutSlowly = table.Column<bool>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    UpdatedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    DeletedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Notes = table.Column<string>(type: "TEXT", nullable: true),
                    ConeFrom = table.Column<string>(type: "TEXT", nullable: true),
                    ConeTo = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_clays", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "glazes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Runny = table.Column<bool>(type: "INTEGER", nullable: false),
                    NeedsHold = table.Column<bool>(type: "INTEGER", nullable: false),
                    Fades = table.Column<bool>(type: "INTEGER", nullable: false),
                    WantsFastCooling = table.Column<bool>(type: "INTEGER", nullable: false),
                    SlowFrom = table.Column<double>(type: "REAL", nullable: true),
                    SlowTo = table.Column<double>(type: "REAL", nullable: true),
                    SlowHours = table.Column<double>(type: "REAL", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    UpdatedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    DeletedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Notes = table.Column<string>(type: "TEXT", nullable: true),
                    ConeFrom = table.Column<string>(type: "TEXT", nullable: true),
                    ConeTo = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_glazes", x => x.Id);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "clays");

            migrationBuilder.DropTable(
                name: "glazes");
        }
    }
}
