using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class PieceUses : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "PieceUses",
                columns: table => new
                {
                    Id = table.Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MendId = table.Column<int>(type: "INTEGER", nullable: false),
                    Piece = table.Column<string>(type: "TEXT", nullable: false),
                    EventNumber = table.Column<int>(type: "INTEGER", nullable: true),
                    CutJson = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PieceUses", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PieceUses_Mends_MendId",
                        column: x => x.MendId,
                        principalTable: "Mends",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_PieceUses_EventNumber",
                table: "PieceUses",
                column: "EventNumber");

            migrationBuilder.CreateIndex(
                name: "IX_PieceUses_MendId",
                table: "PieceUses",
                column: "MendId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "PieceUses");
        }
    }
}
