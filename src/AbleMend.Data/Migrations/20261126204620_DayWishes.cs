using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class DayWishes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "DayWishes",
                columns: table => new
                {
                    MendId = table.Column<int>(type: "INTEGER", nullable: false),
                    NotBefore = table.Column<long>(type: "INTEGER", nullable: true),
                    Person = table.Column<string>(type: "TEXT", nullable: true),
                    Weight = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_DayWishes", x => x.MendId);
                    table.ForeignKey(
                        name: "FK_DayWishes_Mends_MendId",
                        column: x => x.MendId,
                        principalTable: "Mends",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "DayWishes");
        }
    }
}
