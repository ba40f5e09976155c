using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class Looks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Looks",
                table: "Events",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Looks",
                columns: table => new
                {
                    Id = table.Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MendId = table.Column<int>(type: "INTEGER", nullable: false),
                    EventNumber = table.Column<int>(type: "INTEGER", nullable: false),
                    StepId = table.Column<string>(type: "TEXT", nullable: false),
                    Material = table.Column<string>(type: "TEXT", nullable: false),
                    Lot = table.Column<string>(type: "TEXT", nullable: false),
                    LabelMin = table.Column<double>(type: "REAL", nullable: false),
                    NotYetMin = table.Column<double>(type: "REAL", nullable: true),
                    ReadyMin = table.Column<double>(type: "REAL", nullable: true),
                    Looks = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Looks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Looks_Mends_MendId",
                        column: x => x.MendId,
                        principalTable: "Mends",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Looks_Material_Lot",
                table: "Looks",
                columns: new[] { "Material", "Lot" });

            migrationBuilder.CreateIndex(
                name: "IX_Looks_MendId",
                table: "Looks",
                column: "MendId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Looks");

            migrationBuilder.DropColumn(
                name: "Looks",
                table: "Events");
        }
    }
}
