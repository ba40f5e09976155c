using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class LooksAgain : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "LookAgainAt",
                table: "Mends",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Mends_LookAgainAt",
                table: "Mends",
                column: "LookAgainAt",
                filter: "LookAgainAt IS NOT NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Mends_LookAgainAt",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "LookAgainAt",
                table: "Mends");
        }
    }
}
